import { and, desc, eq, gte, inArray, isNotNull, isNull, lt, or, type SQL, sql } from "drizzle-orm";
import { alias, type AnyMySqlColumn } from "drizzle-orm/mysql-core";
import type { Tx } from "../database";
import { collection, event, logEntry, membership, person, team } from "../schema";
import { changeRows } from "../sql/query-rows";

export type NewLogEntry = typeof logEntry.$inferInsert;

/** Writes down what only those who own a team are told. */
export async function writeLog(tx: Tx, rows: readonly NewLogEntry[]): Promise<void> {
  for (let i = 0; i < rows.length; i += 200) await tx.insert(logEntry).values(rows.slice(i, i + 200));
}

/** What of a log is wanted. */
export type LogWish = {
  team: string;
  person: string | null;
  /** What it may be, as events and as what is only logged. */
  verbs: readonly string[];
  logged: readonly NewLogEntry["what"][];
  from: Date | null;
  to: Date | null;
  before: { at: Date; id: string } | null;
};
export type LogLine = {
  id: string;
  at: Date;
  person: string | null;
  name: string | null;
  /** What it was done to; null: nothing that has an id. */
  subject: string | null;
  what: string;
  collection: string | null;
  title: string | null;
  /** Whom or what it was about, in words. */
  about: string;
};

const about = alias(person, "about");

const within = (
  { person: who, from, to, before }: LogWish,
  columns: { at: AnyMySqlColumn; id: AnyMySqlColumn; person: AnyMySqlColumn },
): (SQL | undefined)[] => [
  who ? eq(columns.person, who) : undefined,
  from ? gte(columns.at, from) : undefined,
  to ? lt(columns.at, to) : undefined,
  before
    ? or(lt(columns.at, before.at), and(eq(columns.at, before.at), lt(columns.id, before.id)))
    : undefined,
];

/** What happened in a team by whom, and what was only written down, newest first. */
export async function logOf(tx: Tx, wish: LogWish, most: number): Promise<LogLine[]> {
  const [happened, written] = await Promise.all([
    wish.verbs.length ? eventsOfLog(tx, wish, most) : [],
    wish.logged.length ? entriesOfLog(tx, wish, most) : [],
  ]);
  return [...happened, ...written]
    .sort((a, b) => b.at.getTime() - a.at.getTime() || (a.id < b.id ? 1 : -1))
    .slice(0, most);
}

const eventsOfLog = (tx: Tx, wish: LogWish, most: number): Promise<LogLine[]> =>
  tx
    .select({
      ...{ id: event.id, at: event.at, person: event.actor, name: person.name, what: event.verb },
      subject: event.subject,
      ...{ collection: event.collection, title: collection.title },
      about: sql<string>`COALESCE(${about.name}, JSON_UNQUOTE(JSON_EXTRACT(${event.data}, '$.title')), '')`,
    })
    .from(event)
    .leftJoin(person, eq(person.id, event.actor))
    .leftJoin(about, eq(about.id, event.subject))
    .leftJoin(collection, eq(collection.id, event.collection))
    .where(
      and(
        eq(event.team, wish.team),
        // What is somebody's own is nobody else's, whoever owns the team.
        isNull(event.onlyFor),
        isNotNull(event.actor),
        inArray(event.verb, [...wish.verbs]),
        ...within(wish, { at: event.at, id: event.id, person: event.actor }),
      ),
    )
    .orderBy(desc(event.at), desc(event.id))
    .limit(most);

const entriesOfLog = (tx: Tx, wish: LogWish, most: number): Promise<LogLine[]> =>
  tx
    .select({
      ...{ id: logEntry.id, at: logEntry.at, person: logEntry.person, name: person.name },
      subject: sql<null>`NULL`,
      ...{ what: sql<string>`${logEntry.what}`, collection: logEntry.collection, title: collection.title },
      about: logEntry.about,
    })
    .from(logEntry)
    .leftJoin(person, eq(person.id, logEntry.person))
    .leftJoin(collection, eq(collection.id, logEntry.collection))
    .leftJoin(membership, and(eq(membership.team, wish.team), eq(membership.person, logEntry.person)))
    .where(
      and(
        or(
          eq(logEntry.team, wish.team),
          // Of signing in that of its members, since they are.
          and(
            isNull(logEntry.team),
            inArray(
              logEntry.person,
              tx.select({ id: membership.person }).from(membership).where(eq(membership.team, wish.team)),
            ),
            sql`${logEntry.at} >= ${membership.createdAt}`,
          ),
        ),
        inArray(logEntry.what, [...wish.logged]),
        ...within(wish, { at: logEntry.at, id: logEntry.id, person: logEntry.person }),
      ),
    )
    .orderBy(desc(logEntry.at), desc(logEntry.id))
    .limit(most);

/** For how long a team keeps what; null when there is no such team. */
export async function keepsOf(tx: Tx, id: string) {
  const rows = await tx
    .select({
      ...{ bin: team.keepBin, log: team.keepLog },
      ...{ suggestions: team.keepSuggestions, handouts: team.keepHandouts },
    })
    .from(team)
    .where(eq(team.id, id));
  return rows[0] ?? null;
}

/** Sets for how long a team keeps what; what is left out stays as it is. */
export async function setKeeps(
  tx: Tx,
  id: string,
  { bin, log, suggestions, handouts }: Partial<NonNullable<Awaited<ReturnType<typeof keepsOf>>>>,
): Promise<void> {
  await tx
    .update(team)
    .set({ keepBin: bin, keepLog: log, keepSuggestions: suggestions, keepHandouts: handouts })
    .where(eq(team.id, id));
}

const AT_ONCE = 1_000;

/** A statement again and again, some rows at a time, until there is nothing left for it. */
async function untilNone(some: () => Promise<number>): Promise<void> {
  while ((await some()) >= AT_ONCE);
}

/**
 * Clears for good what teams do not keep any longer: lines of the log, suggestions that were decided, handouts that are
 * over with what learners did in them. What was taken or collected from them stays.
 * @param at now
 * @param most for how many days lines are kept that are of no team
 */
export async function clearKept(tx: Tx, at: Date, most: number): Promise<void> {
  const limit = sql.raw(String(AT_ONCE));
  const older = (days: SQL) => sql`${at} - INTERVAL ${days} DAY`;
  await untilNone(() =>
    changeRows(
      tx,
      sql`DELETE FROM log_entry WHERE at < COALESCE(
            (SELECT ${older(sql`t.keep_log`)} FROM team t WHERE t.id = log_entry.team), ${older(sql`${most}`)})
          LIMIT ${limit}`,
    ),
  );
  await untilNone(() =>
    changeRows(
      tx,
      sql`DELETE FROM suggestion WHERE state <> 'waiting' AND created_at <
            (SELECT ${older(sql`t.keep_suggestions`)} FROM team t
              WHERE t.id = suggestion.team AND t.keep_suggestions IS NOT NULL)
          LIMIT ${limit}`,
    ),
  );
  await untilNone(() =>
    changeRows(
      tx,
      sql`DELETE FROM handout WHERE COALESCE(until, created_at) <
            (SELECT ${older(sql`t.keep_handouts`)} FROM team t
              WHERE t.id = handout.team AND t.keep_handouts IS NOT NULL)
          LIMIT ${limit}`,
    ),
  );
}
