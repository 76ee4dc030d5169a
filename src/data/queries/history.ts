import { changeRows } from "../sql/query-rows";
import { and, desc, eq, gt, gte, inArray, lt, ne, type SQL, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { historyEntry, type HistoryState, event, person } from "../schema";

export type HistoryRow = typeof historyEntry.$inferSelect;

/** Writes what one did into one's history. */
export async function addHistoryEntry(tx: Tx, row: HistoryRow): Promise<void> {
  await tx.insert(historyEntry).values(row);
}

const own = (who: string, team: string) => and(eq(historyEntry.person, who), eq(historyEntry.team, team));

/** The last entry of a person that is done; locked. */
export async function lastDone(tx: Tx, who: string, team: string): Promise<HistoryRow | null> {
  const rows = await tx
    .select()
    .from(historyEntry)
    .where(and(own(who, team), eq(historyEntry.state, "done")))
    .orderBy(desc(historyEntry.id))
    .limit(1)
    .for("update");
  return rows[0] ?? null;
}

/** What can be done again: the oldest undone entry after the last one that is done; locked. */
export async function firstUndone(tx: Tx, who: string, team: string): Promise<HistoryRow | null> {
  const done = await lastDone(tx, who, team);
  const rows = await tx
    .select()
    .from(historyEntry)
    .where(
      and(own(who, team), eq(historyEntry.state, "undone"), done ? gt(historyEntry.id, done.id) : undefined),
    )
    .orderBy(historyEntry.id)
    .limit(1)
    .for("update");
  return rows[0] ?? null;
}

/** An entry of one's own history in this team; null when it is somebody else's. */
export async function findEntry(tx: Tx, id: string, who: string, team: string): Promise<HistoryRow | null> {
  const rows = await tx
    .select()
    .from(historyEntry)
    .where(and(eq(historyEntry.id, id), own(who, team)))
    .for("update");
  return rows[0] ?? null;
}

/** Says whether an entry is done or undone; of changes only when they have become others. */
export async function setEntry(
  tx: Tx,
  id: string,
  state: HistoryState,
  changes?: HistoryRow["changes"],
): Promise<void> {
  await tx.update(historyEntry).set({ state, changes }).where(eq(historyEntry.id, id));
}

/** What was undone before this entry was done can not be done again any more. */
export async function dropBefore(tx: Tx, row: HistoryRow): Promise<void> {
  await tx
    .update(historyEntry)
    .set({ state: "dropped" })
    .where(and(own(row.person, row.team), eq(historyEntry.state, "undone"), lt(historyEntry.id, row.id)));
}

/** The newest entries of a person, for the list of what can be undone and redone. */
export async function newestEntries(tx: Tx, who: string, team: string, most: number) {
  return tx
    .select({
      id: historyEntry.id,
      words: historyEntry.words,
      state: historyEntry.state,
      at: historyEntry.createdAt,
    })
    .from(historyEntry)
    .where(and(own(who, team), ne(historyEntry.state, "dropped")))
    .orderBy(desc(historyEntry.id))
    .limit(most);
}

/** Who else did something since then, the last of them, for the reason why nothing was undone. */
async function lastWho(
  tx: Tx,
  { team, createdAt, person: who }: Pick<HistoryRow, "team" | "createdAt" | "person">,
  what: SQL,
): Promise<string | null> {
  const rows = await tx
    .select({ name: person.name })
    .from(event)
    .innerJoin(person, eq(person.id, event.actor))
    .where(and(eq(event.team, team), gte(event.at, createdAt), ne(event.actor, who), what))
    .orderBy(desc(event.at), desc(event.id))
    .limit(1);
  return rows[0]?.name ?? null;
}

/** Who else did something to one of these since a historyEntry. */
export const lastByOthers = (tx: Tx, since: HistoryRow, subjects: readonly string[]) =>
  lastWho(tx, since, inArray(event.subject, [...subjects]));

/** Who else did something in one of these collections since an entry; being there is nothing done. */
export const lastInCollections = (tx: Tx, since: HistoryRow, collections: readonly string[]) =>
  lastWho(tx, since, sql`${inArray(event.collection, [...collections])} AND ${ne(event.verb, "presence")}`);

/**
 * Drops all but the newest entries of everybody.
 * @param keep how many entries of each person and team stay
 * @returns how many went
 */
export async function pruneHistory(tx: Tx, keep: number): Promise<number> {
  return changeRows(
    tx,
    sql`
    DELETE d FROM ${historyEntry} d JOIN (
      SELECT id FROM (
        SELECT id, ROW_NUMBER() OVER (PARTITION BY person, team ORDER BY id DESC) AS n FROM ${historyEntry}
      ) numbered WHERE n > ${keep}
    ) old ON old.id = d.id`,
  );
}
