import { and, asc, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, comment, mark, membership, person, placement, section } from "../schema";
import { inParts } from "../sql/by-keys";

/** A comment with the collection in which what it is about stands now. */
export type CommentRow = typeof comment.$inferSelect & { home: string };

const home = sql<string>`COALESCE(${comment.collection}, ${section.collection}, ${placement.collection})`;

/** In which collections comments are heard, by their ids. */
export async function homesOfComments(tx: Tx, ids: readonly string[]): Promise<Map<string, string>> {
  const homes = new Map<string, string>();
  await inParts(
    ids,
    async (part) => {
      const rows = await tx
        .select({ id: comment.id, home })
        .from(comment)
        .leftJoin(section, eq(section.id, comment.section))
        .leftJoin(placement, eq(placement.id, comment.placement))
        .where(inArray(comment.id, part));
      for (const row of rows) homes.set(row.id, row.home);
    },
    500,
  );
  return homes;
}

/** Comments by id, locked in the order of their ids, those that were taken away too. */
export async function lockComments(tx: Tx, ids: readonly string[]): Promise<Map<string, CommentRow>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select()
    .from(comment)
    .where(inArray(comment.id, [...ids]))
    .orderBy(comment.id)
    .for("update");
  const homes = await homesOfComments(tx, ids);
  return new Map(rows.map((row) => [row.id, { ...row, home: homes.get(row.id)! }]));
}

/** Whose a comment is, in which team and collection, and what somebody is there; null when there is none. */
export async function findComment(tx: Tx, id: string, personId: string) {
  const rows = await tx
    .select({
      team: comment.team,
      person: comment.person,
      role: membership.role,
      deletedAt: comment.deletedAt,
      home,
    })
    .from(comment)
    .leftJoin(section, eq(section.id, comment.section))
    .leftJoin(placement, eq(placement.id, comment.placement))
    .leftJoin(membership, and(eq(membership.team, comment.team), eq(membership.person, personId)))
    .where(eq(comment.id, id));
  return rows[0] ?? null;
}

/** So many comments of one collection are shown; the first ones. */
const MOST_COMMENTS = 2_000;

const shown = {
  id: comment.id,
  /** The item it is about, or the section; neither: the collection. */
  placement: comment.placement,
  section: comment.section,
  /** The mark that is meant, and what it marks, as long as all see it. */
  mark: comment.mark,
  quote: sql<
    string | null
  >`CASE WHEN ${mark.private} = 0 AND ${mark.deletedAt} IS NULL THEN ${mark.quote} END`,
  fragment: sql<
    string | null
  >`CASE WHEN ${mark.private} = 0 AND ${mark.deletedAt} IS NULL THEN ${mark.fragment} END`,
  /** In whose text it stands. */
  resource: sql<
    string | null
  >`CASE WHEN ${mark.private} = 0 AND ${mark.deletedAt} IS NULL THEN ${mark.resource} END`,
  thread: comment.thread,
  by: { id: comment.person, name: person.name },
  words: comment.words,
  settledAt: comment.settledAt,
  createdAt: comment.createdAt,
  editedAt: comment.editedAt,
  /** Taken away; it is there because somebody answered it. */
  gone: sql<boolean>`${comment.deletedAt} IS NOT NULL`.mapWith(Boolean),
};

/**
 * What is said in a collection: of itself, of its sections and of its items, in the order in which it was said. Of what was
 * taken away the place stays where somebody answered it, and none of its words.
 */
export async function commentsIn(tx: Tx, collectionId: string) {
  const about = (table: "collection" | "section" | "placement") => {
    const select = tx
      .select(shown)
      .from(comment)
      .leftJoin(person, eq(person.id, comment.person))
      .leftJoin(mark, eq(mark.id, comment.mark))
      .$dynamic();
    const order = (query: typeof select) => query.orderBy(asc(comment.id)).limit(MOST_COMMENTS);
    if (table === "collection") return order(select.where(eq(comment.collection, collectionId)));
    if (table === "section")
      return order(
        select
          .innerJoin(section, eq(section.id, comment.section))
          .where(and(eq(section.collection, collectionId), isNull(section.deletedAt))) as never,
      );
    return order(
      select
        .innerJoin(placement, eq(placement.id, comment.placement))
        .where(and(eq(placement.collection, collectionId), isNull(placement.deletedAt))) as never,
    );
  };
  const all = [await about("collection"), await about("section"), await about("placement")].flat();
  const answered = new Set(all.flatMap((one) => (one.thread && !one.gone ? [one.thread] : [])));
  return all
    .filter((one) => !one.gone || answered.has(one.id))
    .map((one) => (one.gone ? { ...one, words: "" } : one))
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .slice(0, MOST_COMMENTS);
}

/**
 * What is said about the marks in a resource that all see, wherever it stands, in the order in which it was said; what was
 * taken back is not among it.
 */
export const commentsOnMarks = (tx: Tx, resourceId: string) =>
  tx
    .select({
      ...shown,
      mark: sql<string>`${comment.mark}`,
      collection: placement.collection,
      title: collection.title,
    })
    .from(placement)
    .innerJoin(comment, eq(comment.placement, placement.id))
    .innerJoin(collection, eq(collection.id, placement.collection))
    .innerJoin(mark, and(eq(mark.id, comment.mark), eq(mark.resource, resourceId)))
    .leftJoin(person, eq(person.id, comment.person))
    .where(
      and(
        ...[eq(placement.resource, resourceId), isNull(placement.deletedAt), isNull(collection.deletedAt)],
        ...[eq(mark.private, false), isNull(mark.deletedAt), isNull(comment.deletedAt)],
      ),
    )
    .orderBy(asc(comment.id))
    .limit(MOST_COMMENTS);

/** A comment as it is shown; null when there is none. */
export async function commentById(tx: Tx, id: string) {
  const rows = await tx
    .select(shown)
    .from(comment)
    .leftJoin(person, eq(person.id, comment.person))
    .leftJoin(mark, eq(mark.id, comment.mark))
    .where(eq(comment.id, id));
  return rows[0] ?? null;
}
