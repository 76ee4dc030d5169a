import { and, asc, desc, eq, getTableColumns, inArray, isNull, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, intake, intakePart, placement, resource, section } from "../schema";

export type IntakeRow = typeof intake.$inferSelect;

const {
  places: _places,
  standing: _standing,
  separator: _separator,
  section: _section,
  ...shortColumns
} = getTableColumns(intake);

/** An import without its long lists, and the first collection it made or filled. */
export async function findIntake(tx: Tx, id: string) {
  return (await tx.select(shortColumns).from(intake).where(eq(intake.id, id)))[0] ?? null;
}

export async function lockIntake(tx: Tx, id: string): Promise<IntakeRow | null> {
  return (await tx.select().from(intake).where(eq(intake.id, id)).for("update"))[0] ?? null;
}

/** The newest imports of a team. */
export async function intakesOf(tx: Tx, team: string, most: number) {
  return tx
    .select(shortColumns)
    .from(intake)
    .where(eq(intake.team, team))
    .orderBy(desc(intake.id))
    .limit(most);
}

/** The next part in a state, first or last. */
export async function nextPart(tx: Tx, id: string, state: "waiting" | "done", last = false) {
  const rows = await tx
    .select()
    .from(intakePart)
    .where(and(eq(intakePart.intake, id), eq(intakePart.state, state)))
    .orderBy(last ? desc(intakePart.no) : asc(intakePart.no))
    .limit(1);
  return rows[0] ?? null;
}

/** Parts from a number on, a few at a time. */
export async function partsFrom(tx: Tx, id: string, from: number, most: number) {
  return tx
    .select()
    .from(intakePart)
    .where(and(eq(intakePart.intake, id), sql`${intakePart.no} >= ${from}`))
    .orderBy(asc(intakePart.no))
    .limit(most);
}

/** Resources of a team by the hash of their address, or of the address the page itself names. */
export async function idsByHash(
  tx: Tx,
  team: string,
  hashes: readonly string[],
): Promise<Map<string, { id: string; deleted: boolean }>> {
  const found = new Map<string, { id: string; deleted: boolean }>();
  // Two looks by two indexes; one with OR would use neither.
  for (const column of [resource.canonicalHash, resource.addressHash])
    for (let i = 0; i < hashes.length; i += 1000) {
      const rows = await tx
        .select({ id: resource.id, hash: column, deletedAt: resource.deletedAt })
        .from(resource)
        .where(and(eq(resource.team, team), inArray(column, hashes.slice(i, i + 1000))));
      for (const row of rows) found.set(row.hash!, { id: row.id, deleted: row.deletedAt !== null });
    }
  return found;
}

/** Which of these resources stand in which of these collections. */
export async function standingIn(tx: Tx, collections: readonly string[], resources: readonly string[]) {
  if (!collections.length || !resources.length) return [];
  return tx
    .select({ collection: placement.collection, resource: placement.resource })
    .from(placement)
    .where(
      and(
        inArray(placement.resource, [...resources]),
        inArray(placement.collection, [...collections]),
        isNull(placement.deletedAt),
      ),
    );
}

/** The last order key in each section of these collections, deleted items too. */
export async function lastPositions(tx: Tx, collections: readonly string[]) {
  if (!collections.length) return [];
  return tx
    .select({
      collection: placement.collection,
      section: placement.section,
      last: sql<string>`max(${placement.position})`,
    })
    .from(placement)
    .where(inArray(placement.collection, [...collections]))
    .groupBy(placement.collection, placement.section);
}

/** Locks collections in one order, so that an import and people who arrange wait for each other. */
export async function lockCollections(tx: Tx, ids: readonly string[]): Promise<void> {
  for (const id of [...ids].sort())
    await tx.select({ id: collection.id }).from(collection).where(eq(collection.id, id)).for("update");
}

/** The tree of a team with what is needed to find a collection again by its name in its place. */
export async function treeOf(tx: Tx, team: string) {
  return tx
    .select({
      id: collection.id,
      parent: collection.parent,
      title: collection.title,
      position: collection.position,
    })
    .from(collection)
    .where(and(eq(collection.team, team), isNull(collection.deletedAt)));
}

export async function sectionsOf(tx: Tx, collections: readonly string[]) {
  if (!collections.length) return [];
  return tx
    .select({
      id: section.id,
      collection: section.collection,
      title: section.title,
      position: section.position,
    })
    .from(section)
    .where(and(inArray(section.collection, [...collections]), isNull(section.deletedAt)));
}

/** The collection, unless it is gone. */
export async function collectionOf(tx: Tx, id: string): Promise<string | null> {
  const rows = await tx
    .select({ id: collection.id })
    .from(collection)
    .where(and(eq(collection.id, id), isNull(collection.deletedAt)));
  return rows[0]?.id ?? null;
}
