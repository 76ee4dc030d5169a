import type { Tx } from "@/data/database";
import { findCollection } from "@/data/queries/collections";
import { findResource } from "@/data/queries/resources";
import { findSection } from "@/data/queries/sections";
import { Problem } from "./problem";

const FIND = { collection: findCollection, resource: findResource };

/**
 * Refuses to mix teams: the second thing an input names must belong to the team the first one was allowed in.
 * @throws {Problem} not-found
 */
export async function mustBeOfTeam(
  tx: Tx,
  what: keyof typeof FIND,
  id: string,
  team: string | null,
): Promise<void> {
  const row = await FIND[what](tx, id);
  if (!row || row.team !== team) throw new Problem("not-found");
  if (row.deletedAt) throw new Problem("in-bin");
}

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
