import type { Tx } from "@/data/database";
import { findCollection } from "@/data/queries/collections";
import { Problem } from "@/mechanism/problem";

/**
 * The collection that was handed out, as it is now.
 * @throws {Problem} in-bin: what learners were given stays, and nothing more comes of it
 */
export async function originalOf(tx: Tx, id: string) {
  const found = await findCollection(tx, id);
  if (!found || found.deletedAt) throw new Problem("in-bin");
  return found;
}
