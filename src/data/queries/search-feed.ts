import { and, eq, type SQL, sql } from "drizzle-orm";
import { LONGEST_TERM } from "@/core/search/tokens";
import type { Weighed } from "@/core/search/weigh";
import type { Tx } from "../database";
import { termDue, termList, termPosting, termStat } from "../schema";
import { keysFirst } from "./by-keys";

type Due = { id: string; resource: string };

/** The row of term_stat that counts all resources of a team in the index: its term is empty. */
export const ALL = "";

/** Teams of which something is due, up to fifty. */
export async function dueTeams(tx: Tx): Promise<string[]> {
  const rows = await tx.select({ team: termDue.team }).from(termDue).groupBy(termDue.team).limit(50);
  return rows.map((row) => row.team);
}

/**
 * Gives a team the row by which its index is locked, outside any transaction.
 * @returns whether it had none
 */
export async function haveIndex(tx: Tx, team: string): Promise<boolean> {
  const rows = await tx.select({ df: termStat.df }).from(termStat).where(rowOfAll(team));
  if (!rows.length)
    await tx
      .insert(termStat)
      .values({ team, term: ALL, df: 0, word: ALL })
      .onDuplicateKeyUpdate({ set: { df: sql`df` } });
  return !rows.length;
}

/**
 * From here on nobody else feeds the index of this team until the transaction ends: everybody meets at the common
 * words, and two who put new words among them would lock each other out. It must come first in its transaction, so that
 * what is read behind it is what the one before has left.
 * @param wait false: when somebody is at it, it is left to them
 * @returns whether it is locked for us
 */
export async function lockIndex(tx: Tx, team: string, wait: boolean): Promise<boolean> {
  const rows = await tx
    .select({ df: termStat.df })
    .from(termStat)
    .where(rowOfAll(team))
    .for("update", wait ? {} : { skipLocked: true });
  return rows.length > 0;
}

const rowOfAll = (team: string) => and(eq(termStat.team, team), eq(termStat.term, ALL));

/**
 * What is due in a team. Read without a lock: whoever holds the index is alone with it, and those who note more must
 * not wait.
 */
export const readDue = (tx: Tx, team: string, most: number): Promise<Due[]> =>
  tx
    .select({ id: termDue.id, resource: termDue.resource })
    .from(termDue)
    .where(eq(termDue.team, team))
    .limit(most);

export async function forgetDue(tx: Tx, ids: readonly string[]): Promise<void> {
  await tx.execute(
    sql`DELETE d FROM ${keysFirst(ids)} STRAIGHT_JOIN ${termDue} d FORCE INDEX (PRIMARY) ON d.id = CAST(k.k AS UUID)`,
  );
}

/** What changes in the index of one resource: the terms with their weights that it holds, and those it shall hold. */
type Feeding = { resource: string; indexed: ReadonlyMap<string, number>; after: readonly Weighed[] };

/** Rows written in one statement. */
const ROWS = 5_000;

/** Writes what is different into the index of a team. Rows are written in the order of their keys, as they lie there. */
export async function writeTerms(tx: Tx, team: string, feedings: readonly Feeding[]): Promise<void> {
  const postings: [term: string, resource: string, weight: number][] = [];
  const gone: [term: string, resource: string][] = [];
  const counts = new Map<string, { term: string; df: number; word: string }>();
  const count = (term: string, word: string, by: number) => {
    const known = counts.get(term);
    if (known) known.df += by;
    else counts.set(term, { term, df: by, word });
  };
  for (const { resource, indexed, after } of feedings) {
    const kept = new Set<string>();
    for (const { term, weight, word } of after) {
      kept.add(term);
      const was = indexed.get(term);
      if (was !== weight) postings.push([term, resource, weight]);
      if (was === undefined) count(term, word, 1);
    }
    for (const term of indexed.keys()) {
      if (kept.has(term)) continue;
      gone.push([term, resource]);
      count(term, term, -1);
    }
    if (!indexed.size !== !after.length) count(ALL, ALL, after.length ? 1 : -1);
  }
  const byKey = (a: readonly [string, string, ...unknown[]], b: readonly [string, string, ...unknown[]]) =>
    compare(a[0], b[0]) || compare(a[1], b[1]);
  const stats = [...counts.values()].filter(({ df }) => df !== 0).sort((a, b) => compare(a.term, b.term));
  const fallen = stats.filter(({ term, df }) => df < 0 && term !== ALL).map(({ term }) => term);
  const lists = feedings.map(({ resource, after }) => ({
    resource,
    team,
    terms: after.map(({ term, weight }) => `${term} ${weight}`).join("\n"),
  }));
  // Each waits for the one before it: had that one lost its transaction, those behind it would be written without one.
  await inParts(gone.sort(byKey), (rows) =>
    tx.execute(sql`
        DELETE p FROM ${rowsOf(rows, [TERM, RESOURCE])} STRAIGHT_JOIN ${termPosting} p FORCE INDEX (PRIMARY)
        ON p.team = ${team} AND p.term = j.term AND p.resource = CAST(j.resource AS UUID)`),
  );
  // As JSON: three times faster than a list of values, which is put together piece by piece.
  await inParts(postings.sort(byKey), (rows) =>
    tx.execute(sql`
        INSERT INTO ${termPosting} (team, term, resource, weight)
        SELECT ${team}, j.term, CAST(j.resource AS UUID), j.weight
        FROM ${rowsOf(rows, [TERM, RESOURCE, "weight SMALLINT UNSIGNED"])}
        ON DUPLICATE KEY UPDATE weight = VALUES(weight)`),
  );
  await inParts(lists, (rows) =>
    tx
      .insert(termList)
      .values(rows)
      .onDuplicateKeyUpdate({ set: { terms: sql`VALUES(terms)` } }),
  );
  await inParts(stats, (rows) =>
    tx.execute(sql`
        INSERT INTO ${termStat} (team, term, df, word)
        SELECT ${team}, j.term, j.df, j.word
        FROM ${rowsOf(
          rows.map(({ term, df, word }) => [term, df, word]),
          [TERM, "df INT", `word ${TEXT}`],
        )}
        ON DUPLICATE KEY UPDATE df = ${termStat}.df + VALUES(df)`),
  );
  await inParts(fallen, (terms) =>
    tx.execute(sql`
        DELETE s FROM ${keysFirst(terms)} STRAIGHT_JOIN ${termStat} s FORCE INDEX (PRIMARY)
        ON s.team = ${team} AND s.term = k.k WHERE s.df <= 0`),
  );
}

const TEXT = `VARCHAR(${LONGEST_TERM}) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin`;
const TERM = `term ${TEXT}`;
const RESOURCE = "resource CHAR(36) CHARACTER SET ascii COLLATE ascii_bin";

/** Rows as a table `j`; lists without names are read in half the time. */
function rowsOf(rows: readonly (readonly (string | number)[])[], columns: readonly string[]): SQL {
  const paths = columns.map((column, i) => `${column} PATH '$[${i}]'`).join(", ");
  return sql`JSON_TABLE(${JSON.stringify(rows)}, '$[*]' COLUMNS (${sql.raw(paths)})) j`;
}

async function inParts<T>(rows: T[], write: (part: T[]) => PromiseLike<unknown>): Promise<void> {
  for (let i = 0; i < rows.length; i += ROWS) await write(rows.slice(i, i + ROWS));
}

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
