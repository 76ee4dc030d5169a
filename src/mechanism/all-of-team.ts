import type { Tx } from "@/data/database";
import { placementsById } from "@/data/queries/placements";
import { resourcesById } from "@/data/queries/resources";
import { Problem } from "./problem";

/** In the order of the ids, each once; what is not there is left out. */
function inOrder<T extends { id: string }>(ids: readonly string[], rows: readonly T[]): T[] {
  const byId = new Map(rows.map((row) => [row.id, row]));
  return [...new Set(ids)].flatMap((id) => byId.get(id) ?? []);
}

/**
 * Several placements of one team, in the order of the ids given. Those somebody has taken out meanwhile are left out;
 * one of another team refuses everything.
 * @param ids of the placements; each must be there and of the team
 * @throws {Problem} not-found
 */
export async function placementsOf(tx: Tx, ids: readonly string[], team: string) {
  const rows = await placementsById(tx, ids);
  if (rows.some((one) => one.team !== team)) throw new Problem("not-found");
  const there = rows.filter((one) => !one.row.deletedAt && !one.collectionDeletedAt);
  return inOrder(
    ids,
    there.map((one) => one.row),
  );
}

/**
 * The same of resources, which are locked.
 * @param ids of the resources; each must be there and of the team
 */
export async function resourcesOf(tx: Tx, ids: readonly string[], team: string) {
  const rows = await resourcesById(tx, ids);
  if (rows.some((row) => row.team !== team)) throw new Problem("not-found");
  return inOrder(
    ids,
    rows.filter((row) => !row.deletedAt),
  );
}
