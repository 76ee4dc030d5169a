import { PUBLIC } from "@/core/shelves/public";
import { newId } from "@/outside/random";
import { feedSome } from "@/services/search/feed";

/** The index of what is public is fed to the end. */
export async function fed(): Promise<void> {
  while ((await feedSome(PUBLIC)) > 0);
}

/** A word nobody else has. */
export const word = () => `w${newId().replaceAll("-", "").slice(-14)}`;
