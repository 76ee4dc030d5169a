import { type SQL, sql } from "drizzle-orm";

/**
 * Keys as a table to begin a join with, its one column is `k`. A statement that locks rows by many keys must find each
 * by its key: for `IN (…)` the optimizer scans a small table, whatever FORCE INDEX says, and a scan that locks waits for
 * rows that others hold. `FROM ${keysFirst(ids)} STRAIGHT_JOIN t FORCE INDEX (PRIMARY) ON t.id = CAST(k.k AS UUID)` is
 * one look-up a key, whatever the table's size and statistics.
 * @param keys UUIDs
 * @example
 * sql`SELECT r.id FROM ${keysFirst(ids)} STRAIGHT_JOIN resource r ON r.id = CAST(k.k AS UUID)`
 */
export const keysFirst = (keys: readonly string[]): SQL =>
  sql`JSON_TABLE(${JSON.stringify(keys)}, '$[*]' COLUMNS (k VARCHAR(100) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin PATH '$')) k`;

/**
 * Words as a list for `IN (…)`, as the numbers of their bytes: nothing in it can be taken for a part of the statement,
 * and Drizzle needs not look at each, which for forty took it longer than the database to find them.
 */
export const listed = (words: readonly string[]): SQL =>
  sql.raw(words.map((word) => `_utf8mb4 X'${Buffer.from(word).toString("hex")}'`).join(", "));

/** Rows as a table `j`; lists without names are read in half the time. */
export function rowsOf(rows: readonly (readonly (string | number)[])[], columns: readonly string[]): SQL {
  const paths = columns.map((column, i) => `${column} PATH '$[${i}]'`).join(", ");
  return sql`JSON_TABLE(${JSON.stringify(rows)}, '$[*]' COLUMNS (${sql.raw(paths)})) j`;
}

/** Rows written in one statement. */
const ROWS = 5_000;

/**
 * Does something for many rows, one part after the other, because a statement holds only so much.
 * @param most how many rows a part has
 */
export async function inParts<T>(
  rows: readonly T[],
  work: (part: T[]) => PromiseLike<unknown>,
  most = ROWS,
): Promise<void> {
  for (let i = 0; i < rows.length; i += most) await work(rows.slice(i, i + most));
}

/** In the order of their characters' codes, as columns that are compared exactly have it. */
export const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
