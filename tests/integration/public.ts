import { vi } from "vitest";
import { PUBLIC } from "@/core/shelves/public";
import { newId } from "@/outside/random";
import { feedSome } from "@/services/search/feed";

/** The index of what is public is fed to the end. */
export async function fed(): Promise<void> {
  await teamFed(PUBLIC);
}

/** The index of a team is fed to the end. */
export async function teamFed(team: string): Promise<void> {
  while ((await feedSome(team)) > 0);
}

/** A word nobody else has. */
export const word = () => `w${newId().replaceAll("-", "").slice(-14)}`;

/** As it is when what may be a minute old is looked up anew. */
export async function later<T>(minutes: number, work: () => Promise<T>): Promise<T> {
  const clock = vi.spyOn(Date, "now").mockReturnValue(Date.now() + minutes * 61_000);
  return work().finally(() => clock.mockRestore());
}
