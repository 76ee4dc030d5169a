import { and, asc, desc, eq, isNull, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { handout, sheet, sheetFind, sheetItem } from "../schema";
import { queryRows } from "../sql/query-rows";

export type SheetRow = typeof sheet.$inferSelect;
export type SheetItemRow = typeof sheetItem.$inferSelect;
export type SheetFindRow = typeof sheetFind.$inferSelect;

/** What a group was given, the newest first, with how far one of them is. */
export async function handoutsFor(tx: Tx, holder: { id: string; group: string }) {
  return tx
    .select({
      ...{ id: handout.id, title: handout.title, writes: handout.writes, until: handout.until },
      ...{ openedAt: sheet.openedAt, writtenAt: sheet.writtenAt, handedInAt: sheet.handedInAt },
    })
    .from(handout)
    .leftJoin(sheet, and(eq(sheet.handout, handout.id), eq(sheet.learner, holder.id)))
    .where(and(eq(handout.group, holder.group), isNull(handout.deletedAt)))
    .orderBy(desc(handout.id));
}

/** A handout as it is while somebody writes in it: a correction waits for them, and they for it. */
export async function handoutWhileWriting(tx: Tx, id: string) {
  // Drizzle writes FOR SHARE, which MariaDB does not know.
  await queryRows(tx, sql`SELECT id FROM ${handout} WHERE id = ${id} LOCK IN SHARE MODE`);
  const rows = await tx.select().from(handout).where(eq(handout.id, id));
  return rows[0] ?? null;
}

/** What somebody has done with a handout; null when they have not opened it. */
export async function findSheet(tx: Tx, handoutId: string, learner: string): Promise<SheetRow | null> {
  const rows = await tx
    .select()
    .from(sheet)
    .where(and(eq(sheet.handout, handoutId), eq(sheet.learner, learner)));
  return rows[0] ?? null;
}

/** The same, locked; begun when it is not there. */
export async function lockSheet(
  tx: Tx,
  row: { id: string; handout: string; learner: string; openedAt: Date },
): Promise<SheetRow> {
  await tx.insert(sheet).ignore().values(row);
  const rows = await tx
    .select()
    .from(sheet)
    .where(and(eq(sheet.handout, row.handout), eq(sheet.learner, row.learner)))
    .for("update");
  return rows[0]!;
}

/** Notes when something happened with a sheet. */
export async function setSheet(
  tx: Tx,
  id: string,
  fields: Partial<Pick<SheetRow, "writtenAt" | "handedInAt" | "lookedAt" | "remark">>,
): Promise<void> {
  await tx.update(sheet).set(fields).where(eq(sheet.id, id));
}

/** What was done with each item. */
export const itemsOn = (tx: Tx, id: string): Promise<SheetItemRow[]> =>
  tx.select().from(sheetItem).where(eq(sheetItem.sheet, id));

/** What was done with one item; null when nothing was. */
export async function itemOn(tx: Tx, id: string, item: string): Promise<SheetItemRow | null> {
  const rows = await tx
    .select()
    .from(sheetItem)
    .where(and(eq(sheetItem.sheet, id), eq(sheetItem.item, item)));
  return rows[0] ?? null;
}

/** Writes what was done with one item. */
export async function putItem(tx: Tx, row: SheetItemRow): Promise<void> {
  const { sheet: _, item: __, ...fields } = row;
  await tx.insert(sheetItem).values(row).onDuplicateKeyUpdate({ set: fields });
}

/** What somebody found, in the order in which they did. */
export const findsOn = (tx: Tx, id: string) =>
  tx
    .select({
      ...{ id: sheetFind.id, section: sheetFind.section, address: sheetFind.address },
      ...{ title: sheetFind.title, context: sheetFind.context },
    })
    .from(sheetFind)
    .where(and(eq(sheetFind.sheet, id), isNull(sheetFind.deletedAt)))
    .orderBy(asc(sheetFind.id));

/** Something somebody found, taken away or not; null when there is none. */
export async function findFind(tx: Tx, id: string): Promise<SheetFindRow | null> {
  return (await tx.select().from(sheetFind).where(eq(sheetFind.id, id)))[0] ?? null;
}

/** Writes down something somebody found. */
export async function addFind(tx: Tx, row: typeof sheetFind.$inferInsert): Promise<void> {
  await tx.insert(sheetFind).values(row);
}

/** Gives it other words, or takes it away or back. */
export async function setFind(
  tx: Tx,
  id: string,
  fields: Partial<Pick<SheetFindRow, "title" | "context" | "deletedAt">>,
): Promise<void> {
  await tx.update(sheetFind).set(fields).where(eq(sheetFind.id, id));
}
