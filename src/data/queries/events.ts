import {
  and,
  desc,
  eq,
  getTableColumns,
  gte,
  inArray,
  isNotNull,
  isNull,
  lt,
  notInArray,
  or,
  sql,
} from "drizzle-orm";
import type { AnyMySqlColumn } from "drizzle-orm/mysql-core";
import type { Tx } from "../database";
import { queryRows } from "../sql/query-rows";
import { queueReindex } from "../search/reindex-queue";
import { collection, event, person, placement } from "../schema";

/** An event as it is told; what it stands for in detail is read by nobody who listens. */
export type EventRow = Omit<typeof event.$inferSelect, "changes">;
const { changes: _, ...TOLD } = getTableColumns(event);

/** Writes what happened, in the same transaction as the change; what it means for the index of words with it. */
export async function writeEvents(tx: Tx, rows: (typeof event.$inferInsert)[]): Promise<void> {
  for (let i = 0; i < rows.length; i += 500) await tx.insert(event).values(rows.slice(i, i + 500));
  await queueReindex(tx, rows);
}

/** What this person hears of: what is for the team, and what is for them alone. */
export const heardBy = (who: string) => or(isNull(event.onlyFor), eq(event.onlyFor, who));

/** The time by the database's own clock. */
export async function databaseNow(tx: Tx): Promise<Date> {
  const [row] = await queryRows<{ now: Date }>(tx, sql`SELECT CURRENT_TIMESTAMP(3) AS now`);
  return new Date(row!.now);
}

/**
 * What was written of the given teams since a time, in the order in which it was written.
 * @param since by the database's own clock
 * @param who leave out what is for somebody else alone; null: leave out nothing
 */
export async function eventsWritten(
  tx: Tx,
  since: Date,
  teams: readonly string[],
  who: string | null,
  most: number,
): Promise<EventRow[]> {
  if (!teams.length) return [];
  return tx
    .select(TOLD)
    .from(event)
    .where(and(gte(event.written, since), inArray(event.team, [...teams]), who ? heardBy(who) : undefined))
    .orderBy(event.written, event.id)
    .limit(most);
}

/** What happened in a team, newest first, with names; `before` is the last one of the page before. */
export async function recentEvents(
  tx: Tx,
  team: string,
  who: string,
  before: { at: Date; id: string } | null,
  most: number,
) {
  return told(tx)
    .where(
      and(
        eq(event.team, team),
        heardBy(who),
        // What people did; what Hobbin did for them is for the event stream.
        isNotNull(event.actor),
        notInArray(event.verb, ["presence", "late", "notices.came", "appraisals.own"]),
        before
          ? or(lt(event.at, before.at), and(eq(event.at, before.at), lt(event.id, before.id)))
          : undefined,
      ),
    )
    .orderBy(desc(event.at), desc(event.id))
    .limit(most);
}

/** What happened to a resource and to its placements, newest first. */
export async function eventsOf(tx: Tx, team: string, who: string, id: string, most: number) {
  const places = await tx.select({ id: placement.id }).from(placement).where(eq(placement.resource, id));
  return told(tx)
    .where(
      and(eq(event.team, team), heardBy(who), inArray(event.subject, [id, ...places.map((one) => one.id)])),
    )
    .orderBy(desc(event.at), desc(event.id))
    .limit(most);
}

/**
 * Events with the names of who did it and where.
 * @param more columns of what is joined besides
 */
export const told = <More extends Record<string, AnyMySqlColumn> = Record<never, never>>(
  tx: Tx,
  more: More = {} as More,
) =>
  tx
    .select({
      id: event.id,
      at: event.at,
      verb: event.verb,
      subject: event.subject,
      data: event.data,
      collection: event.collection,
      collectionTitle: collection.title,
      actor: event.actor,
      actorName: person.name,
      ...more,
    })
    .from(event)
    .leftJoin(collection, eq(collection.id, event.collection))
    .leftJoin(person, eq(person.id, event.actor));
