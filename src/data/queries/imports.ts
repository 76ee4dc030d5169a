import { and, asc, desc, eq, getTableColumns, gt, inArray, isNull, lt, or, sql } from "drizzle-orm";
import type { Tx } from "../database";
import {
  collection,
  intake,
  importPart,
  placement,
  resource,
  resourceTag,
  section,
  trayEntry,
} from "../schema";

export type ImportRow = typeof intake.$inferSelect;

const {
  places: _places,
  standing: _standing,
  separator: _separator,
  section: _section,
  ...shortColumns
} = getTableColumns(intake);

/** An import without its long lists, and the first collection it made or filled. */
export async function findImport(tx: Tx, id: string) {
  return (await tx.select(shortColumns).from(intake).where(eq(intake.id, id)))[0] ?? null;
}

/** The long lists of an import: the places it names, and where each of them came to stand. */
export async function placesOfImport(tx: Tx, id: string): Promise<Pick<ImportRow, "places" | "standing">> {
  const [row] = await tx
    .select({ places: intake.places, standing: intake.standing })
    .from(intake)
    .where(eq(intake.id, id));
  return row ?? { places: [], standing: [] };
}

/** Begins an import; its lines come after. */
export async function addImport(tx: Tx, row: typeof intake.$inferInsert): Promise<void> {
  await tx.insert(intake).values(row);
}

/** Adds a part of lines; one that is there already waits again. */
export async function addPart(tx: Tx, row: typeof importPart.$inferInsert): Promise<void> {
  await tx
    .insert(importPart)
    .values(row)
    .onDuplicateKeyUpdate({ set: { state: "waiting" } });
}

/** Writes how far an import has come. */
export async function writeImport(tx: Tx, id: string, fields: Partial<ImportRow>): Promise<void> {
  await tx.update(intake).set(fields).where(eq(intake.id, id));
}

/** Writes what became of a part's lines. */
export async function writePart(
  tx: Tx,
  id: string,
  no: number,
  fields: Partial<typeof importPart.$inferSelect>,
): Promise<void> {
  await tx
    .update(importPart)
    .set(fields)
    .where(and(eq(importPart.import, id), eq(importPart.no, no)));
}

/** Puts placements into the bin that are not there yet. @returns the collections they stood in */
export async function binPlacements(tx: Tx, ids: readonly string[], at: Date): Promise<string[]> {
  if (!ids.length) return [];
  const homes = await tx
    .selectDistinct({ id: placement.collection })
    .from(placement)
    .where(inArray(placement.id, [...ids]));
  await tx
    .update(placement)
    .set({ deletedAt: at })
    .where(and(inArray(placement.id, [...ids]), isNull(placement.deletedAt)));
  return homes.map((one) => one.id);
}

/** Takes single uses of tags off, by their own ids. */
export async function dropTagLinks(tx: Tx, ids: readonly string[]): Promise<void> {
  if (ids.length) await tx.delete(resourceTag).where(inArray(resourceTag.id, [...ids]));
}

/** Puts those of these resources into the bin, and out of every Tray, that stand nowhere. @returns their ids */
export async function binUnplaced(tx: Tx, ids: readonly string[], at: Date): Promise<void> {
  if (!ids.length) return;
  const placed = await tx
    .selectDistinct({ id: placement.resource })
    .from(placement)
    .where(and(inArray(placement.resource, [...ids]), isNull(placement.deletedAt)));
  const stays = new Set(placed.map((one) => one.id));
  const gone = ids.filter((id) => !stays.has(id));
  if (gone.length) {
    await tx.update(resource).set({ deletedAt: at }).where(inArray(resource.id, gone));
    await tx.delete(trayEntry).where(inArray(trayEntry.resource, gone));
  }
}

/** Puts a collection or a section into the bin if nothing stands in it any more. */
export async function binIfEmpty(
  tx: Tx,
  { id, section: isSection }: { id: string; section: boolean },
  at: Date,
): Promise<void> {
  const [inside] = await tx
    .select({ id: placement.id })
    .from(placement)
    .where(and(eq(isSection ? placement.section : placement.collection, id), isNull(placement.deletedAt)))
    .limit(1);
  if (inside) return;
  if (isSection) return void (await tx.update(section).set({ deletedAt: at }).where(eq(section.id, id)));
  const [child] = await tx
    .select({ id: collection.id })
    .from(collection)
    .where(and(eq(collection.parent, id), isNull(collection.deletedAt)))
    .limit(1);
  if (!child) await tx.update(collection).set({ deletedAt: at }).where(eq(collection.id, id));
}

/** An import, locked until the transaction ends; null when there is none. */
export async function lockImport(tx: Tx, id: string): Promise<ImportRow | null> {
  return (await tx.select().from(intake).where(eq(intake.id, id)).for("update"))[0] ?? null;
}

/** The newest imports of a team. */
export async function importsOf(tx: Tx, team: string, most: number) {
  return tx
    .select(shortColumns)
    .from(intake)
    .where(eq(intake.team, team))
    .orderBy(desc(intake.id))
    .limit(most);
}

/**
 * The next part in a state, first or last.
 * @param last whether the last one is wanted instead of the first
 */
export async function nextPart(tx: Tx, id: string, state: "waiting" | "done", last = false) {
  const rows = await tx
    .select()
    .from(importPart)
    .where(and(eq(importPart.import, id), eq(importPart.state, state)))
    .orderBy(last ? desc(importPart.no) : asc(importPart.no))
    .limit(1);
  return rows[0] ?? null;
}

/** Parts from a number on, a few at a time. */
export async function partsFrom(tx: Tx, id: string, from: number, most: number) {
  return tx
    .select()
    .from(importPart)
    .where(and(eq(importPart.import, id), sql`${importPart.no} >= ${from}`))
    .orderBy(asc(importPart.no))
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

/** The tree of a team with what is needed to find a collection again by its name in its place. */
export async function treeOf(tx: Tx, team: string) {
  return tx
    .select({
      id: collection.id,
      parent: collection.parent,
      title: collection.title,
    })
    .from(collection)
    .where(and(eq(collection.team, team), isNull(collection.deletedAt)));
}

/** The collection, unless it is gone. */
export async function collectionOf(tx: Tx, id: string): Promise<string | null> {
  const rows = await tx
    .select({ id: collection.id })
    .from(collection)
    .where(and(eq(collection.id, id), isNull(collection.deletedAt)));
  return rows[0]?.id ?? null;
}

/** Clears imports that were never begun, were cancelled or taken back, and have not been touched since a time. */
export async function clearImports(tx: Tx, before: Date): Promise<void> {
  await tx
    .delete(intake)
    .where(and(inArray(intake.state, ["staging", "undone"]), lt(intake.updatedAt, before)));
}

/** How many imports of a person are under way; one that is only being laid down counts for an hour. */
export async function importsUnderWay(tx: Tx, person: string, at: Date): Promise<number> {
  const [row] = await tx
    .select({ n: sql<number>`count(*)` })
    .from(intake)
    .where(
      and(
        eq(intake.person, person),
        or(
          inArray(intake.state, ["running", "paused", "undoing"]),
          and(eq(intake.state, "staging"), gt(intake.updatedAt, new Date(at.getTime() - 3_600_000))),
        ),
      ),
    );
  return Number(row!.n);
}
