import type { Tx } from "@/data/database";
import { findSection } from "@/data/queries/sections";
import { Problem } from "./problem";

/**
 * Refuses a section that is not one of this collection.
 * @throws {Problem} not-found
 */
export async function mustBeSectionOf(
  tx: Tx,
  id: string | null | undefined,
  collectionId: string,
): Promise<void> {
  if (!id) return;
  const row = await findSection(tx, id);
  if (row?.collection !== collectionId || row.deletedAt) throw new Problem("section-gone");
}
