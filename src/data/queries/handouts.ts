import { and, asc, count, desc, eq, inArray, isNull, sql } from "drizzle-orm";
import { groupBy } from "@/core/list/group-by";
import type { Tx } from "../database";
import { edition, handout, learner, learnerGroup, sheet, sheetFind, sheetItem } from "../schema";

export type HandoutRow = typeof handout.$inferSelect;

/** Handouts by id, locked in the order of their ids, those in the bin too. */
export async function lockHandouts(tx: Tx, ids: readonly string[]): Promise<Map<string, HandoutRow>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select()
    .from(handout)
    .where(inArray(handout.id, [...ids]))
    .orderBy(handout.id)
    .for("update");
  return new Map(rows.map((row) => [row.id, row]));
}

/** A handout with the title of its group, in the bin or not; null when there is none. */
export async function findHandout(tx: Tx, id: string) {
  const rows = await tx
    .select({ handout, groupTitle: learnerGroup.title })
    .from(handout)
    .innerJoin(learnerGroup, eq(learnerGroup.id, handout.group))
    .where(eq(handout.id, id));
  const [row] = rows;
  return row ? { ...row.handout, groupTitle: row.groupTitle } : null;
}

/** What a group was given, the newest first, and how many opened it and handed it in. */
export async function handoutsOf(tx: Tx, group: string) {
  const rows = await tx
    .select({
      ...{ id: handout.id, title: handout.title, collection: handout.collection, writes: handout.writes },
      ...{ until: handout.until, createdAt: handout.createdAt },
      opened: count(sheet.id),
      handedIn: count(sheet.handedInAt),
    })
    .from(handout)
    .leftJoin(sheet, eq(sheet.handout, handout.id))
    .where(and(eq(handout.group, group), isNull(handout.deletedAt)))
    .groupBy(handout.id)
    .orderBy(desc(handout.id));
  return rows;
}

/** The content of an edition, by which it is stored; null when there is none. */
export async function editionDigest(tx: Tx, id: string): Promise<string | null> {
  const rows = await tx.select({ digest: edition.digest }).from(edition).where(eq(edition.id, id));
  return rows[0]?.digest ?? null;
}

/**
 * Everybody of a group beside what they have done with a handout, in the order in which they were written down.
 * @param toDo the items of which it counts how many are ticked
 * @returns counts of what they ticked and wrote but for notes, which are their own; nothing of the words themselves
 */
export async function overviewOf(
  tx: Tx,
  { id, group }: { id: string; group: string },
  toDo: readonly string[],
) {
  const items = tx
    .select({
      sheet: sheetItem.sheet,
      done: sql<number>`SUM(${sheetItem.done} AND ${toDo.length ? inArray(sheetItem.item, [...toDo]) : sql`FALSE`})`.as(
        "items_done",
      ),
      written: sql<number>`SUM(${sheetItem.answer} <> '' OR ${sheetItem.context} IS NOT NULL)`.as(
        "items_written",
      ),
    })
    .from(sheetItem)
    .innerJoin(sheet, eq(sheet.id, sheetItem.sheet))
    .where(eq(sheet.handout, id))
    .groupBy(sheetItem.sheet)
    .as("items");
  const finds = tx
    .select({ sheet: sheetFind.sheet, found: count().as("found") })
    .from(sheetFind)
    .innerJoin(sheet, eq(sheet.id, sheetFind.sheet))
    .where(and(eq(sheet.handout, id), isNull(sheetFind.deletedAt)))
    .groupBy(sheetFind.sheet)
    .as("finds");
  const rows = await tx
    .select({
      ...{ id: learner.id, name: learner.name },
      ...{ openedAt: sheet.openedAt, writtenAt: sheet.writtenAt, handedInAt: sheet.handedInAt },
      ...{ lookedAt: sheet.lookedAt, done: items.done, written: items.written, found: finds.found },
    })
    .from(learner)
    .leftJoin(sheet, and(eq(sheet.learner, learner.id), eq(sheet.handout, id)))
    .leftJoin(items, eq(items.sheet, sheet.id))
    .leftJoin(finds, eq(finds.sheet, sheet.id))
    .where(and(eq(learner.group, group), isNull(learner.deletedAt)))
    .orderBy(asc(learner.id));
  return rows.map(({ done, written, found, ...row }) => ({
    ...row,
    done: Number(done ?? 0),
    written: Number(written ?? 0),
    found: Number(found ?? 0),
  }));
}

/** What everybody has written in a handout of their own words and answers, by item: what a correction must respect. */
export async function writtenIn(tx: Tx, id: string) {
  return tx
    .select({
      ...{ sheet: sheetItem.sheet, item: sheetItem.item, done: sheetItem.done, context: sheetItem.context },
      ...{ contextFrom: sheetItem.contextFrom, answer: sheetItem.answer, note: sheetItem.note },
    })
    .from(sheetItem)
    .innerJoin(sheet, eq(sheet.id, sheetItem.sheet))
    .innerJoin(learner, eq(learner.id, sheet.learner))
    .where(and(eq(sheet.handout, id), isNull(learner.deletedAt)));
}

/** What everybody of a group wrote in a handout and found, in the order in which they were written down. */
export async function worksOf(tx: Tx, { id, group }: { id: string; group: string }) {
  const learners = await tx
    .select({ name: learner.name, sheet: sheet.id })
    .from(learner)
    .innerJoin(sheet, and(eq(sheet.learner, learner.id), eq(sheet.handout, id)))
    .where(and(eq(learner.group, group), isNull(learner.deletedAt)))
    .orderBy(asc(learner.id));
  const items = await tx
    .select({ item: sheetItem })
    .from(sheetItem)
    .innerJoin(sheet, eq(sheet.id, sheetItem.sheet))
    .where(eq(sheet.handout, id));
  const finds = await tx
    .select({ find: sheetFind })
    .from(sheetFind)
    .innerJoin(sheet, eq(sheet.id, sheetFind.sheet))
    .where(and(eq(sheet.handout, id), isNull(sheetFind.deletedAt)))
    .orderBy(asc(sheetFind.id));
  const written = groupBy(
    items.map(({ item }) => item),
    (one) => one.sheet,
  );
  const found = groupBy(
    finds.map(({ find }) => find),
    (one) => one.sheet,
  );
  return learners.map(({ name, sheet: of }) => ({
    ...{ name, written: written.get(of) ?? [], finds: found.get(of) ?? [] },
  }));
}
