import { drizzle, type MySql2Database } from "drizzle-orm/mysql2";
import type { Pool } from "mysql2";
import { openPool } from "./connections";
import * as schema from "./schema";

export type Database = MySql2Database<typeof schema>;
/** What queries take: the database itself or a transaction in it. */
export type Tx = Pick<Database, "select" | "selectDistinct" | "insert" | "update" | "delete" | "execute">;

type Opened = { url: string; pool: Pool; database: Database };
// Next bundles routes apart from each other; one pool per process is kept where all of them find it.
const shared = globalThis as { hobbinDatabase?: Opened };

/**
 * What every connection begins with. In a cluster it waits once until its node has written all that others had written:
 * after a failover the new writer may have some of it still before it, and what is read then would be decided upon.
 * (Galera, wsrep_sync_wait; on a database by itself nothing is waited for.)
 */
const BEGINNING = [
  "SET SESSION time_zone = '+00:00', SESSION tx_isolation = 'READ-COMMITTED', SESSION max_statement_time = 60",
  "SET SESSION wsrep_sync_wait = 1",
  "SELECT 1",
  "SET SESSION wsrep_sync_wait = 0",
];

/**
 * Opens the pool of connections to `url` once per process and returns it again afterwards.
 * Sessions run in UTC and READ COMMITTED: after waiting for a lock a reader must see what the one before it
 * wrote, not the picture from before the wait.
 */
export function openDatabase(url: string): Database {
  if (shared.hobbinDatabase?.url === url) return shared.hobbinDatabase.database;
  const pool = openPool({
    uri: url,
    connectionLimit: 16,
    charset: "utf8mb4_unicode_ci",
    timezone: "Z",
    supportBigNumbers: true,
    enableKeepAlive: true,
    // Where a statement came from stands in Drizzle's error; to note it with every statement takes longer than short ones.
    trace: false,
  });
  pool.on("connection", (connection) => {
    for (const statement of BEGINNING)
      // One on which they do not hold is no connection of ours; whoever has it asks for another.
      connection.query(statement, (error) => error && connection.destroy());
  });
  const database = drizzle(pool, { schema, mode: "default" }) as unknown as Database;
  shared.hobbinDatabase = { url, pool, database };
  return database;
}

/** The pool itself, for a library that brings its own statements. */
export function poolOf(url: string): Pool {
  openDatabase(url);
  return shared.hobbinDatabase!.pool;
}

/** Closes the pool, for tools and tests that end. */
export async function closeDatabase(): Promise<void> {
  const opened = shared.hobbinDatabase;
  shared.hobbinDatabase = undefined;
  if (opened) await opened.pool.promise().end();
}
