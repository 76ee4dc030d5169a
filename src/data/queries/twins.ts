import { and, desc, eq, inArray, isNotNull, isNull, lt } from "drizzle-orm";
import type { Tx } from "../database";
import { placement, resource, resourceTag, trayEntry, twinMerge } from "../schema";
import { cardsById, withTags } from "./resources";

/** Pairs of likely twins of a team, newest first. */
export async function twinsOf(tx: Tx, team: string, before: string | null, most: number) {
  const rows = await tx
    .select({ id: resource.id, twin: resource.twinOf })
    .from(resource)
    .where(
      and(
        eq(resource.team, team),
        isNotNull(resource.twinOf),
        isNull(resource.deletedAt),
        before ? lt(resource.id, before) : undefined,
      ),
    )
    .orderBy(desc(resource.id))
    .limit(most);
  const cards = await withTags(
    tx,
    await cardsById(tx, team, [...new Set(rows.flatMap((row) => [row.id, row.twin!]))]),
  );
  const byId = new Map(cards.map((card) => [card.id, card]));
  const places = await placesByResource(tx, [...byId.keys()]);
  const told = (id: string) => ({ ...byId.get(id)!, places: places.get(id) ?? 0 });
  return rows
    .filter((row) => byId.has(row.id) && byId.has(row.twin!))
    .map((row) => ({ newer: told(row.id), older: told(row.twin!) }));
}

async function placesByResource(tx: Tx, ids: readonly string[]): Promise<Map<string, number>> {
  const counts = new Map<string, number>();
  if (!ids.length) return counts;
  const rows = await tx
    .select({ resource: placement.resource })
    .from(placement)
    .where(and(inArray(placement.resource, [...ids]), isNull(placement.deletedAt)));
  for (const row of rows) counts.set(row.resource, (counts.get(row.resource) ?? 0) + 1);
  return counts;
}

/** Everything that hangs on a resource and moves when it is merged. */
export async function hangingOn(tx: Tx, id: string) {
  return {
    placements: await tx
      .select({ id: placement.id, collection: placement.collection })
      .from(placement)
      .where(eq(placement.resource, id)),
    tags: await tx.select().from(resourceTag).where(eq(resourceTag.resource, id)),
    tray: await tx.select().from(trayEntry).where(eq(trayEntry.resource, id)),
  };
}

export async function lockMerge(tx: Tx, id: string) {
  return (await tx.select().from(twinMerge).where(eq(twinMerge.id, id)).for("update"))[0] ?? null;
}
