import { type SQL, sql } from "drizzle-orm";

/**
 * Keys as a table to begin a join with, its one column is `k`. A statement that locks rows by many keys must find each
 * by its key: for `IN (…)` the optimizer scans a small table, whatever FORCE INDEX says, and a scan that locks waits for
 * rows that others hold. `FROM ${keysFirst(ids)} STRAIGHT_JOIN t FORCE INDEX (PRIMARY) ON t.id = CAST(k.k AS UUID)` is
 * one look-up a key, whatever the table's size and statistics.
 */
export const keysFirst = (keys: readonly string[]): SQL =>
  sql`JSON_TABLE(${JSON.stringify(keys)}, '$[*]' COLUMNS (k VARCHAR(64) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin PATH '$')) k`;

/** Words as a list for `IN (…)`. */
export const listed = (words: readonly string[]): SQL =>
  sql.join(
    words.map((word) => sql`${word}`),
    sql`, `,
  );
