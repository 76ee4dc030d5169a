import { and, asc, count, desc, eq, inArray, isNotNull, isNull, lte, max, ne, or, sql } from "drizzle-orm";
import { inParts } from "../sql/by-keys";
import type { Tx } from "../database";
import { mark, meaning, membership, person, placement, resource, textVersion } from "../schema";

export type MarkRow = typeof mark.$inferSelect;

/** So many marks of one thing are shown; those that stand first in it. */
const MOST_MARKS = 2_000;

/** Marks one may see: those of the team, and one's own. */
const seenBy = (personId: string) => or(eq(mark.private, false), eq(mark.person, personId));

const shown = {
  id: mark.id,
  resource: mark.resource,
  by: { id: mark.person, name: person.name },
  private: mark.private,
  meaning: mark.meaning,
  quote: mark.quote,
  prefix: mark.prefix,
  suffix: mark.suffix,
  note: mark.note,
  fragment: mark.fragment,
  version: mark.version,
  start: mark.start,
  end: mark.end,
  sure: mark.sure,
  createdAt: mark.createdAt,
  updatedAt: mark.updatedAt,
};

const standing = (resourceId: string, personId: string) =>
  and(eq(mark.resource, resourceId), isNull(mark.deletedAt), seenBy(personId));

/**
 * The marks of a resource that a person may see, in the order of the text; those that stand nowhere in it come last.
 * @param beginning of those that stand in the text only the ones within so many characters
 */
export async function marksOf(tx: Tx, resourceId: string, personId: string, beginning?: number) {
  return tx
    .select(shown)
    .from(mark)
    .leftJoin(person, eq(person.id, mark.person))
    .where(
      and(
        standing(resourceId, personId),
        beginning === undefined ? undefined : or(isNull(mark.end), lte(mark.end, beginning)),
      ),
    )
    .orderBy(sql`${mark.start} is null`, asc(mark.start), asc(mark.id))
    .limit(MOST_MARKS);
}

/** How many of the same there are, by whom and of which meaning; of those who made them in the order of the text. */
export async function countsOfMarks(tx: Tx, resourceId: string, personId: string) {
  return tx
    .select({
      ...{ by: { id: mark.person, name: person.name }, meaning: mark.meaning },
      count: count(),
    })
    .from(mark)
    .leftJoin(person, eq(person.id, mark.person))
    .where(standing(resourceId, personId))
    .groupBy(mark.person, person.name, mark.meaning)
    .orderBy(sql`min(coalesce(${mark.start}, 1000000000))`, sql`min(${mark.id})`);
}

/** What of these a person may see was deleted of a resource, latest first. */
export async function deletedMarksOf(tx: Tx, resourceId: string, personId: string, most: number) {
  return tx
    .select(shown)
    .from(mark)
    .leftJoin(person, eq(person.id, mark.person))
    .where(and(eq(mark.resource, resourceId), isNotNull(mark.deletedAt), seenBy(personId)))
    .orderBy(desc(mark.deletedAt))
    .limit(most);
}

/** A mark as it is shown; null when there is none. */
export async function markById(tx: Tx, id: string) {
  const rows = await tx
    .select(shown)
    .from(mark)
    .leftJoin(person, eq(person.id, mark.person))
    .where(eq(mark.id, id));
  return rows[0] ?? null;
}

/** Whose a mark is, in which team, and what somebody is there; null when there is none. */
export async function findMark(tx: Tx, id: string, personId: string) {
  const rows = await tx
    .select({
      team: mark.team,
      person: mark.person,
      resource: mark.resource,
      private: mark.private,
      role: membership.role,
      deletedAt: mark.deletedAt,
      resourceDeletedAt: resource.deletedAt,
    })
    .from(mark)
    .innerJoin(resource, eq(resource.id, mark.resource))
    .leftJoin(membership, and(eq(membership.team, mark.team), eq(membership.person, personId)))
    .where(eq(mark.id, id));
  return rows[0] ?? null;
}

/** All marks of a resource, whoever's they are, also those in the bin; to be moved with it. */
export const everyMarkOf = (tx: Tx, resourceId: string) =>
  tx.select().from(mark).where(eq(mark.resource, resourceId)).orderBy(asc(mark.id)).for("update");

/** The marks of a resource that stand in words, to be placed; the newest first, which are those somebody looks at. */
export const marksToPlace = (tx: Tx, resourceId: string, most: number) =>
  tx
    .select({
      id: mark.id,
      quote: mark.quote,
      prefix: mark.prefix,
      suffix: mark.suffix,
      start: mark.start,
      end: mark.end,
      sure: mark.sure,
    })
    .from(mark)
    .where(and(eq(mark.resource, resourceId), ne(mark.quote, ""), eq(mark.fragment, "")))
    .orderBy(desc(mark.id))
    .limit(most);

export const hasMarks = async (tx: Tx, resourceId: string): Promise<boolean> =>
  (await tx.select({ id: mark.id }).from(mark).where(eq(mark.resource, resourceId)).limit(1)).length > 0;

type Placed = { id: string; start: number | null; end: number | null; sure: number };

/** Writes where marks stand now. It is found from their words, so it is no change of them. */
export async function writePlaces(tx: Tx, places: readonly Placed[]): Promise<void> {
  await inParts(
    [...places].sort((a, b) => (a.id < b.id ? -1 : 1)),
    (part) => {
      const of = (value: (one: Placed) => number | null) =>
        sql.join(
          part.map((one) => sql`WHEN ${one.id} THEN ${value(one)}`),
          sql` `,
        );
      const ids = part.map((one) => one.id);
      return tx.execute(
        sql`UPDATE ${mark} SET start_at = CASE id ${of((one) => one.start)} END, end_at = CASE id ${of((one) => one.end)} END, sure = CASE id ${of((one) => one.sure)} END WHERE ${inArray(mark.id, ids)}`,
      );
    },
    200,
  );
}

/** What a team means by its marks, in the order in which it was named. */
export const meaningsOf = (tx: Tx, team: string) =>
  tx.select().from(meaning).where(eq(meaning.team, team)).orderBy(asc(meaning.createdAt), asc(meaning.id));

export async function saveMeaning(tx: Tx, row: typeof meaning.$inferInsert): Promise<void> {
  const { name, key, pattern, tint, removedAt = null } = row;
  await tx.insert(meaning).values(row).onDuplicateKeyUpdate({ set: { name, key, pattern, tint, removedAt } });
}

/** Keeps a reading copy that gives way to another one. */
export async function addVersion(tx: Tx, row: typeof textVersion.$inferInsert): Promise<void> {
  await tx
    .insert(textVersion)
    .values(row)
    .onDuplicateKeyUpdate({ set: { digest: row.digest } });
}

/** The copies a resource had before, latest first. */
export const versionsOf = (tx: Tx, resourceId: string, most: number) =>
  tx
    .select()
    .from(textVersion)
    .where(eq(textVersion.resource, resourceId))
    .orderBy(desc(textVersion.number))
    .limit(most);

/** One of the copies a resource had before; null when there is none of this number. */
export async function findVersion(tx: Tx, resourceId: string, number: number) {
  const rows = await tx
    .select()
    .from(textVersion)
    .where(and(eq(textVersion.resource, resourceId), eq(textVersion.number, number)));
  return rows[0] ?? null;
}

/** The greatest number of the copies a resource had before; 0 without any. */
export async function lastVersion(tx: Tx, resourceId: string): Promise<number> {
  const [row] = await tx
    .select({ number: max(textVersion.number) })
    .from(textVersion)
    .where(eq(textVersion.resource, resourceId));
  return row?.number ?? 0;
}

/** So many marks of a collection are gathered on one page. */
const MOST_TOGETHER = 5_000;

/** The marks on whatever stands in these collections that a person may see, by the order of their texts. */
export async function marksInside(tx: Tx, collections: readonly string[], personId: string) {
  if (!collections.length) return [];
  const standing = tx
    .selectDistinct({ resource: placement.resource })
    .from(placement)
    .where(and(inArray(placement.collection, [...collections]), isNull(placement.deletedAt)))
    .as("standing");
  return tx
    .select({
      ...shown,
      meaningName: meaning.name,
      source: { id: resource.id, title: resource.title, address: resource.address, site: resource.siteName },
    })
    .from(standing)
    .innerJoin(mark, eq(mark.resource, standing.resource))
    .innerJoin(resource, eq(resource.id, mark.resource))
    .leftJoin(person, eq(person.id, mark.person))
    .leftJoin(meaning, eq(meaning.id, mark.meaning))
    .where(and(isNull(mark.deletedAt), isNull(resource.deletedAt), seenBy(personId)))
    .orderBy(asc(resource.title), asc(resource.id), sql`${mark.start} is null`, asc(mark.start), asc(mark.id))
    .limit(MOST_TOGETHER);
}

/** The team's marks on these, in the bin or not, by their words. */
export async function marksOn(tx: Tx, resources: readonly string[]) {
  const found: { id: string; resource: string; quote: string; note: string; fragment: string }[] = [];
  await inParts(
    resources,
    async (part) => {
      const rows = await tx
        .select({
          ...{ id: mark.id, resource: mark.resource },
          ...{ quote: mark.quote, note: mark.note, fragment: mark.fragment },
        })
        .from(mark)
        .where(and(inArray(mark.resource, part), eq(mark.private, false)));
      found.push(...rows);
    },
    500,
  );
  return found;
}
