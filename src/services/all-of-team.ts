import { and, eq, inArray, isNull } from "drizzle-orm";
import type { Tx } from "@/data/database";
import { collection, placement, resource } from "@/data/schema";
import { Problem } from "./problem";

/**
 * Several placements of one team, in the order of the ids given. Those somebody has taken out meanwhile are left out;
 * one of another team refuses everything.
 * @throws {Problem} not-found
 */
export async function placementsOf(tx: Tx, ids: readonly string[], team: string) {
  const rows = await tx
    .select({ row: placement, team: collection.team, deletedAt: collection.deletedAt })
    .from(placement)
    .innerJoin(collection, eq(collection.id, placement.collection))
    .where(inArray(placement.id, [...ids]));
  if (rows.some((one) => one.team !== team)) throw new Problem("not-found");
  const byId = new Map(
    rows.filter((one) => !one.row.deletedAt && !one.deletedAt).map((one) => [one.row.id, one.row]),
  );
  return [...new Set(ids)].flatMap((id) => byId.get(id) ?? []);
}

/** The same of resources: the ids of those that are there. */
export async function resourcesOf(tx: Tx, ids: readonly string[], team: string) {
  if (!ids.length) return [];
  const rows = await tx
    .select({
      id: resource.id,
      kind: resource.kind,
      title: resource.title,
      typed: resource.typed,
      team: resource.team,
    })
    .from(resource)
    .where(and(inArray(resource.id, [...ids]), isNull(resource.deletedAt)));
  if (rows.some((row) => row.team !== team)) throw new Problem("not-found");
  const byId = new Map(rows.map((row) => [row.id, row]));
  return [...new Set(ids)].flatMap((id) => byId.get(id) ?? []);
}
