import { and, desc, eq, inArray, isNotNull, isNull, lt, notExists, sql, type SQLWrapper } from "drizzle-orm";
import type { AnyMySqlColumn } from "drizzle-orm/mysql-core";
import type { Tx } from "../database";
import {
  collection,
  comment,
  handout,
  learner,
  learnerGroup,
  mark,
  placement,
  resource,
  section,
  sheet,
  sheetFind,
  suggestion,
  team,
} from "../schema";

/**
 * Clears for good what has lain in the bins for longer than each team keeps it.
 * @param at now
 */
export async function clearBins(tx: Tx, at: Date): Promise<void> {
  for (const { days } of await tx.selectDistinct({ days: team.keepBin }).from(team))
    await clearBin(
      tx,
      new Date(at.getTime() - days * DAY),
      tx.select({ id: team.id }).from(team).where(eq(team.keepBin, days)),
    );
}

/**
 * Clears for good what has lain in the bin since before a time.
 * @param before what was deleted before this moment goes for good
 * @param teams only of these; left out: of all
 */
export async function clearBin(tx: Tx, before: Date, teams?: SQLWrapper): Promise<void> {
  const ofThese = (column: AnyMySqlColumn) => (teams ? sql`${column} IN (${teams})` : undefined);
  const collections =
    teams && tx.select({ id: collection.id }).from(collection).where(ofThese(collection.team));
  const handouts = teams && tx.select({ id: handout.id }).from(handout).where(ofThese(handout.team));
  const sheets = handouts && tx.select({ id: sheet.id }).from(sheet).where(inArray(sheet.handout, handouts));
  const inThem = collections && inArray(section.collection, collections);
  // What stands in a section that goes stays in its collection.
  const sections = await tx
    .select({ id: section.id })
    .from(section)
    .where(and(lt(section.deletedAt, before), inThem));
  for (const { id } of sections)
    await tx.update(placement).set({ section: null }).where(eq(placement.section, id));
  await tx
    .delete(sheetFind)
    .where(and(lt(sheetFind.deletedAt, before), sheets && inArray(sheetFind.sheet, sheets)));
  for (const table of [comment, mark, suggestion, handout, learner, learnerGroup, placement])
    await tx.delete(table).where(and(lt(table.deletedAt, before), ofThese(table.team)));
  await tx.delete(section).where(and(lt(section.deletedAt, before), inThem));
  // What learners were given is an edition of it.
  const given = tx.select({ id: handout.id }).from(handout).where(eq(handout.collection, collection.id));
  await tx
    .delete(collection)
    .where(and(lt(collection.deletedAt, before), notExists(given), ofThese(collection.team)));
  await tx.delete(resource).where(and(lt(resource.deletedAt, before), ofThese(resource.team)));
}

const DAY = 86_400_000;

/** What lies in the bin of a team, latest first. */
export async function binOf(tx: Tx, teamId: string) {
  const [collections, placements, resources, sections] = await Promise.all([
    tx
      .select({ id: collection.id, title: collection.title, deletedAt: collection.deletedAt })
      .from(collection)
      .where(and(eq(collection.team, teamId), isNotNull(collection.deletedAt)))
      .limit(200),
    tx
      .select({
        id: placement.id,
        title: resource.title,
        where: collection.title,
        deletedAt: placement.deletedAt,
      })
      .from(placement)
      .innerJoin(resource, eq(resource.id, placement.resource))
      .innerJoin(collection, eq(collection.id, placement.collection))
      .where(
        and(
          eq(placement.team, teamId),
          isNotNull(placement.deletedAt),
          isNull(resource.deletedAt),
          isNull(collection.deletedAt),
        ),
      )
      .orderBy(desc(placement.deletedAt))
      .limit(200),
    tx
      .select({ id: resource.id, title: resource.title, deletedAt: resource.deletedAt })
      .from(resource)
      .where(and(eq(resource.team, teamId), isNotNull(resource.deletedAt)))
      .limit(200),
    tx
      .select({ id: section.id, title: section.title, where: collection.title, deletedAt: section.deletedAt })
      .from(section)
      .innerJoin(collection, eq(collection.id, section.collection))
      .where(and(eq(collection.team, teamId), isNotNull(section.deletedAt), isNull(collection.deletedAt)))
      .limit(200),
  ]);
  return [
    ...collections.map((row) => ({ ...row, what: "collection" as const, where: null })),
    ...placements.map((row) => ({ ...row, what: "placement" as const })),
    ...resources.map((row) => ({ ...row, what: "resource" as const, where: null })),
    ...sections.map((row) => ({ ...row, what: "section" as const })),
  ].sort((a, b) => b.deletedAt!.getTime() - a.deletedAt!.getTime());
}
