import { and, asc, count, desc, eq, inArray, isNotNull, isNull, ne, or, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { blockedTeam, collection, suggestion, suggestionPage } from "../schema";
import { code } from "../sql/code";
import { queryRows } from "../sql/query-rows";

export type SuggestionRow = typeof suggestion.$inferSelect;
export type SuggestionPageRow = typeof suggestionPage.$inferSelect;

/** Suggestions by id, locked in the order of their ids, those in the bin too. */
export async function lockSuggestions(tx: Tx, ids: readonly string[]): Promise<Map<string, SuggestionRow>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select()
    .from(suggestion)
    .where(inArray(suggestion.id, [...ids]))
    .orderBy(suggestion.id)
    .for("update");
  return new Map(rows.map((row) => [row.id, row]));
}

/** Where things are suggested for a collection; null when that was never asked for. */
export async function suggestionPageOf(tx: Tx, of: string): Promise<SuggestionPageRow | null> {
  return (await tx.select().from(suggestionPage).where(eq(suggestionPage.collection, of)))[0] ?? null;
}

/** A page by the long code of its address or the short one, with its collection, in the bin or not; null when there is none. */
export async function suggestionPageBy(tx: Tx, by: "link" | "code", given: string) {
  const rows = await tx
    .select({ page: suggestionPage, title: collection.title, deletedAt: collection.deletedAt })
    .from(suggestionPage)
    .innerJoin(collection, eq(collection.id, suggestionPage.collection))
    .where(eq(suggestionPage[by], code(given)));
  const [row] = rows;
  return row ? { ...row.page, title: row.title, gone: row.deletedAt !== null } : null;
}

/** A page as it is while something is suggested there: closing it waits for that, and it for closing. */
export async function suggestionPageWhileOffering(tx: Tx, id: string): Promise<SuggestionPageRow | null> {
  // Drizzle writes FOR SHARE, which MariaDB does not know.
  await queryRows(tx, sql`SELECT id FROM ${suggestionPage} WHERE id = ${id} LOCK IN SHARE MODE`);
  return (await tx.select().from(suggestionPage).where(eq(suggestionPage.id, id)))[0] ?? null;
}

/** What waits in a collection to be let in by itself, in the order in which it came. */
export async function waitingByItself(tx: Tx, of: string, most: number): Promise<string[]> {
  const rows = await tx
    .select({ id: suggestion.id })
    .from(suggestion)
    .where(and(inCollection(of), eq(suggestion.state, "waiting"), eq(suggestion.byItself, true)))
    .orderBy(asc(suggestion.createdAt), asc(suggestion.id))
    .limit(most);
  return rows.map(({ id }) => id);
}

/** Adds where things are suggested. */
export async function addSuggestionPage(tx: Tx, row: SuggestionPageRow): Promise<void> {
  await tx.insert(suggestionPage).values(row);
}

/** Sets something of it. */
export async function setSuggestionPage(
  tx: Tx,
  id: string,
  fields: Partial<Omit<SuggestionPageRow, "id">>,
): Promise<void> {
  await tx.update(suggestionPage).set(fields).where(eq(suggestionPage.id, id));
}

/** A suggestion, in the bin or not; null when there is none. */
export async function findSuggestion(tx: Tx, id: string): Promise<SuggestionRow | null> {
  return (await tx.select().from(suggestion).where(eq(suggestion.id, id)))[0] ?? null;
}

/** Writes down something another team gives back. */
export async function addGivenBack(tx: Tx, row: SuggestionRow): Promise<void> {
  await tx.insert(suggestion).values(row);
}

/** What was given back last of an item, as it is now; null: nothing was. */
export async function givenBackOf(tx: Tx, placement: string) {
  const rows = await tx
    .select({
      ...{ id: suggestion.id, kind: suggestion.kind, text: suggestion.text, state: suggestion.state },
      ...{ word: suggestion.word, createdAt: suggestion.createdAt },
    })
    .from(suggestion)
    .where(eq(suggestion.givenFrom, placement))
    .orderBy(desc(suggestion.createdAt), desc(suggestion.id))
    .limit(1);
  return rows[0] ?? null;
}

/** Of whom a team takes nothing they give back, by name. */
export const blockedBy = (tx: Tx, of: string) =>
  tx
    .select({ other: blockedTeam.other, name: blockedTeam.name })
    .from(blockedTeam)
    .where(eq(blockedTeam.team, of))
    .orderBy(asc(blockedTeam.name), asc(blockedTeam.other))
    .limit(500);

export const isBlocked = async (tx: Tx, of: string, other: string): Promise<boolean> =>
  (
    await tx
      .select({ other: blockedTeam.other })
      .from(blockedTeam)
      .where(and(eq(blockedTeam.team, of), eq(blockedTeam.other, other)))
  ).length > 0;

export async function block(tx: Tx, row: typeof blockedTeam.$inferSelect): Promise<void> {
  await tx
    .insert(blockedTeam)
    .values(row)
    .onDuplicateKeyUpdate({ set: { name: row.name } });
}

export async function unblock(tx: Tx, of: string, other: string): Promise<void> {
  await tx.delete(blockedTeam).where(and(eq(blockedTeam.team, of), eq(blockedTeam.other, other)));
}

const inCollection = (of: string) => and(eq(suggestion.collection, of), isNull(suggestion.deletedAt));

/** What waits in a collection, in the order in which it came. */
export async function waitingIn(tx: Tx, of: string, most: number): Promise<SuggestionRow[]> {
  return tx
    .select()
    .from(suggestion)
    .where(and(inCollection(of), eq(suggestion.state, "waiting")))
    .orderBy(asc(suggestion.createdAt), asc(suggestion.id))
    .limit(most);
}

/** What was decided in a collection, the newest first. */
export async function decidedIn(tx: Tx, of: string, most: number): Promise<SuggestionRow[]> {
  return tx
    .select()
    .from(suggestion)
    .where(and(inCollection(of), ne(suggestion.state, "waiting")))
    .orderBy(desc(suggestion.createdAt), desc(suggestion.id))
    .limit(most);
}

/** How much waits in a collection. */
export async function countWaitingIn(tx: Tx, of: string): Promise<number> {
  const rows = await tx
    .select({ count: count() })
    .from(suggestion)
    .where(and(inCollection(of), eq(suggestion.state, "waiting")));
  return rows[0]!.count;
}

/** How much waits in the collections of a team that are not in the bin. */
export async function countSuggested(tx: Tx, team: string): Promise<number> {
  const rows = await tx
    .select({ count: count() })
    .from(suggestion)
    .innerJoin(collection, eq(collection.id, suggestion.collection))
    .where(
      and(
        eq(suggestion.team, team),
        eq(suggestion.state, "waiting"),
        isNull(suggestion.deletedAt),
        isNull(collection.deletedAt),
      ),
    );
  return rows[0]!.count;
}

/** The collections of a team for which things can be, or were, suggested, by title, with how much waits in each. */
export async function suggestionPagesOf(tx: Tx, team: string) {
  // Without a page, other teams may have given something back.
  const wasGiven = tx
    .select({ id: suggestion.collection })
    .from(suggestion)
    .where(and(eq(suggestion.team, team), isNull(suggestion.deletedAt)));
  const pages = await tx
    .select({
      ...{ collection: collection.id, title: collection.title },
      ...{ open: suggestionPage.open, until: suggestionPage.until, letsIn: suggestionPage.letsIn },
    })
    .from(collection)
    .leftJoin(suggestionPage, eq(suggestionPage.collection, collection.id))
    .where(
      and(
        eq(collection.team, team),
        isNull(collection.deletedAt),
        or(isNotNull(suggestionPage.id), inArray(collection.id, wasGiven)),
      ),
    )
    .orderBy(asc(collection.title), asc(collection.id));
  const counted = await tx
    .select({ collection: suggestion.collection, state: suggestion.state, count: count() })
    .from(suggestion)
    .where(and(eq(suggestion.team, team), isNull(suggestion.deletedAt)))
    .groupBy(suggestion.collection, suggestion.state);
  const of = (id: string, states: readonly string[]) =>
    counted
      .filter((one) => one.collection === id && states.includes(one.state))
      .reduce((sum, one) => sum + one.count, 0);
  return pages.map((page) => ({
    ...{ collection: page.collection, title: page.title, until: page.until },
    ...{ open: page.open ?? false, letsIn: page.letsIn ?? false },
    waiting: of(page.collection, ["waiting"]),
    decided: of(page.collection, ["accepted", "declined"]),
  }));
}

/** What somebody suggested for a collection, the newest first. */
export async function suggestedBy(tx: Tx, of: string, giver: string): Promise<SuggestionRow[]> {
  return tx
    .select()
    .from(suggestion)
    .where(and(eq(suggestion.giver, code(giver)), inCollection(of)))
    .orderBy(desc(suggestion.createdAt), desc(suggestion.id))
    .limit(200);
}
