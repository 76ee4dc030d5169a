import { and, desc, eq, inArray, isNotNull, isNull, lt, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { placement, resource, resourceTag, resourceText, trayEntry, duplicateApart } from "../schema";
import { cardsById, withTags } from "./resources";

/**
 * Pairs of likely duplicates of a team, newest first.
 * @param before id of the last one on the page before; null for the first page
 */
export async function duplicatesOf(tx: Tx, team: string, before: string | null, most: number) {
  const rows = await tx
    .select({ id: resource.id, older: resource.duplicateOf })
    .from(resource)
    .where(
      and(
        eq(resource.team, team),
        isNotNull(resource.duplicateOf),
        isNull(resource.deletedAt),
        before ? lt(resource.id, before) : undefined,
      ),
    )
    .orderBy(desc(resource.id))
    .limit(most);
  const cards = await withTags(
    tx,
    await cardsById(tx, team, [...new Set(rows.flatMap((row) => [row.id, row.older!]))]),
  );
  const byId = new Map(cards.map((card) => [card.id, card]));
  const places = await placesByResource(tx, [...byId.keys()]);
  const told = (id: string) => ({ ...byId.get(id)!, places: places.get(id) ?? 0 });
  return rows
    .filter((row) => byId.has(row.id) && byId.has(row.older!))
    .map((row) => ({ newer: told(row.id), older: told(row.older!) }));
}

/** How many likely duplicates a team has; of many only that there are so many. */
export async function countDuplicates(tx: Tx, team: string, most: number): Promise<number> {
  const some = tx
    .select({ id: resource.id })
    .from(resource)
    .where(and(eq(resource.team, team), isNotNull(resource.duplicateOf), isNull(resource.deletedAt)))
    .limit(most)
    .as("some");
  const [row] = await tx.select({ count: sql<number>`count(*)` }).from(some);
  return Number(row?.count ?? 0);
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

/** Everything that hangs on a resource and moves when it is merged; placements in the bin too. */
export async function hangingOn(tx: Tx, id: string) {
  return {
    placements: await tx.select().from(placement).where(eq(placement.resource, id)),
    tags: await tx.select().from(resourceTag).where(eq(resourceTag.resource, id)),
    tray: await tx.select().from(trayEntry).where(eq(trayEntry.resource, id)),
    hasText:
      (await tx.select({ id: resourceText.resource }).from(resourceText).where(eq(resourceText.resource, id)))
        .length > 0,
  };
}

/** Those of a team that are taken for another one, locked. */
export const takenFor = (tx: Tx, team: string, other: string) =>
  tx
    .select()
    .from(resource)
    .where(and(eq(resource.team, team), eq(resource.duplicateOf, other), isNull(resource.deletedAt)))
    .orderBy(resource.id)
    .for("update");

/** Says that two resources are not the same thing. @returns the newer one, which is no longer taken for the older */
export async function keepApart(tx: Tx, team: string, one: string, other: string): Promise<string> {
  const [a, b] = [one, other].sort() as [string, string];
  await tx.insert(duplicateApart).values({ a, b, team }).onDuplicateKeyUpdate({ set: { a } });
  await tx
    .update(resource)
    .set({ duplicateOf: null })
    .where(and(eq(resource.id, b), eq(resource.duplicateOf, a)));
  return b;
}
