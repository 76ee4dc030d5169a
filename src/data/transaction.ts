import type { PoolConnection } from "mysql2/promise";
import type { Pool } from "mysql2";
import { MySql2Session, MySql2Transaction } from "drizzle-orm/mysql2/session";
import { connectionOf } from "./connections";
import type { Database, Tx } from "./database";

/**
 * Numbers of errors after which the same transaction may succeed: 1213 deadlock, 1020 row changed since read,
 * 1205 lock wait, 1180 commit refused by the cluster.
 * https://mariadb.com/kb/en/mariadb-error-code-reference/
 */
const LOST = new Set([1213, 1020, 1205, 1180]);
const TRIES = 5;

/**
 * What it looks like when the database is not there: the socket's own codes, and 1040 too many connections, 1047 not
 * ready in the cluster, 1053 shutting down, 1927 connection killed.
 */
const AWAY = new Set<unknown>([
  ...["ECONNREFUSED", "ECONNRESET", "EPIPE", "ETIMEDOUT", "ENOENT", "PROTOCOL_CONNECTION_LOST"],
  ...["PROTOCOL_SEQUENCE_TIMEOUT", "POOL_CLOSED", "NO_CONNECTION"],
  // A connection that ended after it was got and before it was asked.
  ...["ERR_STREAM_WRITE_AFTER_END", "ERR_STREAM_DESTROYED"],
  ...[1040, 1047, 1053, 1927],
]);
/** So long it is waited for, in milliseconds. */
const PATIENCE = 5_000;
const BETWEEN = 150;

/** Somebody moved what was to be locked while it was looked for: the transaction is begun anew. */
export class Outrun extends Error {}

/** The connection was lost while a transaction was being ended: it may have happened or not. */
export class Unknown extends Error {}

/** The driver's own words of an error under Drizzle's wrapping. */
function* layers(error: unknown): Generator<{ errno?: unknown; code?: unknown; fatal?: unknown }> {
  for (let e = error; e instanceof Error; e = e.cause) yield e as { errno?: unknown };
}

/** The driver's error number under Drizzle's wrapping, or undefined. */
function errorNumber(error: unknown): number | undefined {
  for (const { errno } of layers(error)) if (typeof errno === "number" && errno > 0) return errno;
  return undefined;
}

/** 1062: the row is there already (a request sent twice, or two people at once). */
export const isDuplicate = (error: unknown): boolean => errorNumber(error) === 1062;

/** 1452: what the row belongs to is not there (any more). */
export const isOrphan = (error: unknown): boolean => errorNumber(error) === 1452;

/** Whether a transaction was lost to others more often than it was tried again: nothing of it was done. */
export const isLost = (error: unknown): boolean =>
  error instanceof Outrun || LOST.has(errorNumber(error) ?? 0);

/** Whether the database could not be reached, or went away. */
export const isAway = (error: unknown): boolean =>
  [...layers(error)].some(
    ({ errno, code, fatal }) => AWAY.has(code) || AWAY.has(errno) || (fatal === true && code === undefined),
  );

/**
 * The answer, if it comes within so many milliseconds; a database that says nothing is as good as away.
 * @throws an error `isAway` is true of, when it does not come in time
 */
export function within<T>(most: number, work: Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(
      () => reject(Object.assign(new Error("No answer in time."), { code: "NO_CONNECTION" })),
      most,
    );
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}

/**
 * Does something that may be done again, once more as long as the database is away, for five seconds.
 * @throws what went wrong last
 */
export async function patiently<T>(work: () => Promise<T>, patience = PATIENCE): Promise<T> {
  for (const until = performance.now() + patience; ;) {
    try {
      return await work();
    } catch (error) {
      if (error instanceof Unknown || !isAway(error) || performance.now() > until) throw error;
      await new Promise((resolve) => setTimeout(resolve, BETWEEN));
    }
  }
}

/**
 * Runs `work` in one transaction; a transaction lost to another one is rolled back and tried again, five times, after a
 * pause with jitter so that the same two do not meet again; so is one whose row belongs to what was taken away meanwhile. One
 * that made what somebody else has made is tried once more. One whose connection was lost before its end was rolled back
 * by the database, and is tried again for five seconds.
 * @throws {Unknown} when the connection was lost at the end
 * @example
 * await transact(database(), async (tx) => {
 *   const row = await lockResource(tx, id);
 *   await dropProposal(tx, row!.id);
 * });
 */
export async function transact<T>(
  database: Database,
  work: (tx: Tx) => Promise<T>,
  pause: (attempt: number) => Promise<void> = jitter,
): Promise<T> {
  let lookedAgain = false;
  for (let attempt = 1; ; attempt++) {
    try {
      return await patiently(() => once(database, work));
    } catch (error) {
      // Somebody else made the same thing a moment ago: at one more look that is seen, however often it was lost before.
      if (isDuplicate(error) && !lookedAgain) lookedAgain = true;
      // What somebody took away meanwhile can be made and taken away once more while one looks.
      else if (!(isLost(error) || isOrphan(error)) || attempt >= TRIES) throw error;
      await pause(attempt);
    }
  }
}

const jitter = (attempt: number) =>
  new Promise<void>((resolve) => setTimeout(resolve, Math.random() * 20 * 2 ** attempt));

/** What Drizzle's own transaction is made of, as far as it is needed to make one on a connection of ours. */
type Insides = {
  $client: Pool;
  dialect: ConstructorParameters<typeof MySql2Transaction>[0];
  session: { schema: undefined; options: ConstructorParameters<typeof MySql2Session>[3] };
};

/**
 * Reads for as long as it takes, all of it as it was at one moment (InnoDB's consistent snapshot), while others go on.
 * Nothing is tried again: whoever reads so is sending it on already.
 */
export const consistently = <T>(database: Database, work: (tx: Tx) => Promise<T>): Promise<T> =>
  once(database, work, [
    "SET TRANSACTION ISOLATION LEVEL REPEATABLE READ",
    "START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY",
  ]);

/**
 * One transaction, once. Drizzle's own (0.45.4) begins before it watches for errors, so that a connection whose `begin`
 * fails never goes back to the pool, and lets a failing rollback hide why it was rolled back.
 */
async function once<T>(
  database: Database,
  work: (tx: Tx) => Promise<T>,
  beginning: readonly string[] = ["begin"],
): Promise<T> {
  const { $client, dialect, session } = database as unknown as Insides;
  const connection = await connectionOf($client);
  let ending = false;
  try {
    for (const statement of beginning) await connection.query(statement);
    const own = new MySql2Session(connection, dialect, session.schema, session.options);
    const tx = new MySql2Transaction(dialect, own as never, session.schema, 0, "default");
    const result = await work(tx as unknown as Tx);
    ending = true;
    await connection.query("commit");
    connection.release();
    return result;
  } catch (error) {
    await letGo(connection, error);
    if (ending && isAway(error)) throw new Unknown("Whether it was done is not known.", { cause: error });
    throw error;
  }
}

/** Gives a connection back as it was, or ends it when it is of no more use. */
async function letGo(connection: PoolConnection, error: unknown): Promise<void> {
  const broken = isAway(error) || [...layers(error)].some(({ fatal }) => fatal === true);
  if (broken) return connection.destroy();
  try {
    await connection.query("rollback");
    connection.release();
  } catch {
    connection.destroy();
  }
}
