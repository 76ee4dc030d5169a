import { and, desc, eq, inArray, isNotNull, isNull, lt } from "drizzle-orm";
import type { Tx } from "../database";
import {
  placement,
  resource,
  resourceTag,
  resourceText,
  trayEntry,
  duplicateApart,
  duplicateMerge,
} from "../schema";
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

/** A merge, locked until the transaction ends; null when there is none. */
export async function lockMerge(tx: Tx, id: string) {
  return (await tx.select().from(duplicateMerge).where(eq(duplicateMerge.id, id)).for("update"))[0] ?? null;
}

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

type Hanging = Awaited<ReturnType<typeof hangingOn>>;

/**
 * Hangs everything of one resource on another, which keeps what it has itself.
 * @param tags rows for the tags the other one gets
 * @returns what moved, as it is needed to move it back
 */
export async function hangOn(
  tx: Tx,
  kept: string,
  { placements, tray }: Pick<Hanging, "placements" | "tray">,
  tags: Hanging["tags"],
  at: Date,
): Promise<{ placements: string[]; tags: string[]; tray: string[] }> {
  const ids = <T extends { id: string }>(rows: readonly T[]) => rows.map((row) => row.id);
  const moved = { placements: ids(placements), tags: ids(tags), tray: ids(tray) };
  if (placements.length)
    await tx
      .update(placement)
      .set({ resource: kept, updatedAt: at })
      .where(inArray(placement.id, moved.placements));
  if (tags.length) await tx.insert(resourceTag).values(tags);
  if (tray.length)
    await tx.update(trayEntry).set({ resource: kept }).where(inArray(trayEntry.id, moved.tray));
  return moved;
}

/** Moves back what a merge moved. */
export async function hangBack(
  tx: Tx,
  gone: string,
  { placements, tags, tray }: { placements: string[]; tags: string[]; tray: string[] },
): Promise<void> {
  if (placements.length)
    await tx.update(placement).set({ resource: gone }).where(inArray(placement.id, placements));
  if (tags.length) await tx.delete(resourceTag).where(inArray(resourceTag.id, tags));
  if (tray.length) await tx.update(trayEntry).set({ resource: gone }).where(inArray(trayEntry.id, tray));
}

/**
 * Gives a resource the text of another one, if it has none itself.
 * @param kept the resource that stays
 * @param gone the one that is merged into it
 */
export async function copyTextTo(tx: Tx, kept: string, gone: string): Promise<void> {
  const [there] = await tx
    .select({ id: resourceText.resource })
    .from(resourceText)
    .where(eq(resourceText.resource, kept));
  const [text] = await tx.select().from(resourceText).where(eq(resourceText.resource, gone));
  if (text && !there) await tx.insert(resourceText).values({ ...text, resource: kept });
}

/** What was taken for the one that goes is taken for the one that stays, if that is older. */
export async function passDuplicatesOn(
  tx: Tx,
  { team, kept, gone }: { team: string; kept: string; gone: string },
): Promise<void> {
  await tx
    .update(resource)
    .set({ duplicateOf: kept < gone ? kept : null })
    .where(and(eq(resource.team, team), eq(resource.duplicateOf, gone), isNull(resource.deletedAt)));
}

/** Gives a resource fields that say whether it is one of two, and brings it back or puts it into the bin. */
export async function writeDuplicate(
  tx: Tx,
  id: string,
  fields: Partial<Pick<typeof resource.$inferInsert, "duplicateOf" | "deletedAt" | "updatedAt">> &
    Record<string, unknown>,
): Promise<void> {
  await tx.update(resource).set(fields).where(eq(resource.id, id));
}

/** Writes down a merge with what is needed to undo it. */
export async function addMerge(tx: Tx, row: typeof duplicateMerge.$inferInsert): Promise<void> {
  await tx.insert(duplicateMerge).values(row);
}

/** Says that a merge was undone. */
export async function endMerge(tx: Tx, id: string, undoneAt: Date): Promise<void> {
  await tx.update(duplicateMerge).set({ undoneAt }).where(eq(duplicateMerge.id, id));
}
