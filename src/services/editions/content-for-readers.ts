import type { EditionContent } from "@/core/editions/content";
import { withoutParts } from "@/core/editions/without-parts";
import type { Tx } from "@/data/database";
import { hiddenOf } from "@/data/queries/care";
import { contentOf } from "./stored-content";

/**
 * An edition as readers are given it now: without what stewards hide by now of what stood in it.
 * @param team to which it belongs
 */
export async function contentForReaders(tx: Tx, team: string, digest: string): Promise<EditionContent> {
  const [kept, hidden] = await Promise.all([contentOf(digest), hiddenOf(tx, team)]);
  return withoutParts(kept, new Set(hidden));
}
