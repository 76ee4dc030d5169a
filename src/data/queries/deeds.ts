import { and, desc, eq, gt, gte, inArray, lt, ne, type SQL, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { deed, type DeedState, event, person } from "../schema";

export type DeedRow = typeof deed.$inferSelect;

export async function keepDeed(tx: Tx, row: DeedRow): Promise<void> {
  await tx.insert(deed).values(row);
}

const own = (who: string, team: string) => and(eq(deed.person, who), eq(deed.team, team));

/** The last deed of a person that is done; locked. */
export async function lastDone(tx: Tx, who: string, team: string): Promise<DeedRow | null> {
  const rows = await tx
    .select()
    .from(deed)
    .where(and(own(who, team), eq(deed.state, "done")))
    .orderBy(desc(deed.id))
    .limit(1)
    .for("update");
  return rows[0] ?? null;
}

/** What can be done again: the oldest undone deed after the last one that is done; locked. */
export async function firstUndone(tx: Tx, who: string, team: string): Promise<DeedRow | null> {
  const done = await lastDone(tx, who, team);
  const rows = await tx
    .select()
    .from(deed)
    .where(and(own(who, team), eq(deed.state, "undone"), done ? gt(deed.id, done.id) : undefined))
    .orderBy(deed.id)
    .limit(1)
    .for("update");
  return rows[0] ?? null;
}

export async function findDeed(tx: Tx, id: string, who: string, team: string): Promise<DeedRow | null> {
  const rows = await tx
    .select()
    .from(deed)
    .where(and(eq(deed.id, id), own(who, team)))
    .for("update");
  return rows[0] ?? null;
}

export async function setDeed(tx: Tx, id: string, state: DeedState): Promise<void> {
  await tx.update(deed).set({ state }).where(eq(deed.id, id));
}

/** What was undone before this deed was done can not be done again any more. */
export async function dropBefore(tx: Tx, row: DeedRow): Promise<void> {
  await tx
    .update(deed)
    .set({ state: "dropped" })
    .where(and(own(row.person, row.team), eq(deed.state, "undone"), lt(deed.id, row.id)));
}

/** The newest deeds of a person, for the list of what can be undone and redone. */
export async function newestDeeds(tx: Tx, who: string, team: string, most: number) {
  return tx
    .select({ id: deed.id, words: deed.words, state: deed.state, at: deed.createdAt })
    .from(deed)
    .where(and(own(who, team), ne(deed.state, "dropped")))
    .orderBy(desc(deed.id))
    .limit(most);
}

/** Who else did something since then, the last of them, for the reason why nothing was undone. */
async function lastWho(
  tx: Tx,
  { team, createdAt, person: who }: Pick<DeedRow, "team" | "createdAt" | "person">,
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

/** Who else did something to one of these since a deed. */
export const lastByOthers = (tx: Tx, since: DeedRow, subjects: readonly string[]) =>
  lastWho(tx, since, inArray(event.subject, [...subjects]));

/** Who else did something in one of these collections since a deed; being there is nothing done. */
export const lastInCollections = (tx: Tx, since: DeedRow, collections: readonly string[]) =>
  lastWho(tx, since, sql`${inArray(event.collection, [...collections])} AND ${ne(event.verb, "presence")}`);

/** Drops all but the newest deeds of everybody. @returns how many went */
export async function pruneDeeds(tx: Tx, keep: number): Promise<number> {
  const [answer] = (await tx.execute(sql`
    DELETE d FROM ${deed} d JOIN (
      SELECT id FROM (
        SELECT id, ROW_NUMBER() OVER (PARTITION BY person, team ORDER BY id DESC) AS n FROM ${deed}
      ) numbered WHERE n > ${keep}
    ) old ON old.id = d.id`)) as unknown as [{ affectedRows: number }];
  return answer.affectedRows;
}
