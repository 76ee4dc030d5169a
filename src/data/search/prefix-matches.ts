import { queryRows } from "../sql/query-rows";
import { type SQL, sql } from "drizzle-orm";
import { groupBy } from "@/core/list/group-by";
import type { Postings } from "@/core/search/postings";
import type { Tx } from "../database";
import { termPosting, termStat } from "../schema";
import { fixed } from "../sql/fixed";
import { cachedList, type ListRow } from "./postings";

/** Of what is pending of terms that begin so, this much is read along; of more only the counts, by a statement of its own. */
const ALONG = 500;

const PACKED = fixed(sql`term, df AS n, version, NULL AS resource, NULL AS pack, NULL AS known
  FROM ${termStat} WHERE team = `);
const MANY = fixed(sql`term, weight, NULL, resource, NULL, known FROM ${termPosting} WHERE team = `);
const COUNTED = fixed(sql`SELECT term, SUM((weight > 0) - known) AS n FROM ${termPosting} WHERE team = `);

/**
 * Terms that begin like this.
 * @param start the letters somebody has typed so far, folded
 */
export const beginning = (start: string): SQL => sql`term LIKE ${`${start.replace(/[\\%_]/g, "\\$&")}%`}`;

/** The terms of a team that begin like an unfinished word. */
export type PrefixMatches = {
  /** In how many resources each is, the most used first. */
  counts: [term: string, df: number][];
  /** The list of one of them when it is known without reading it. */
  listOf: (term: string) => Postings | null;
};

/**
 * What has to be asked for, to be put together by UNION ALL.
 * @param part tells their rows apart
 * @param most so many of the terms of the blocks, the most used ones
 */
export const selectPrefixMatches = (team: string, start: string, part: SQL, most: number): SQL[] => [
  sql`(SELECT ${part} AS part, ${PACKED} ${team} AND ${beginning(start)} ORDER BY df DESC LIMIT ${most})`,
  sql`(SELECT ${part}, ${MANY} ${team} AND ${beginning(start)} LIMIT ${ALONG + 1})`,
];

/** @param rows all that was asked for */
export async function readPrefixMatches(
  tx: Tx,
  team: string,
  start: string,
  rows: readonly ListRow[],
): Promise<PrefixMatches> {
  const counts = new Map<string, number>();
  const versions = new Map<string, string>();
  const pending: { term: string; resource: string; weight: number; known: number }[] = [];
  for (const { term, n, version, resource, known } of rows) {
    if (resource) pending.push({ term, resource, weight: Number(n), known: Number(known) });
    else if (version) {
      versions.set(term, version);
      counts.set(term, Number(n));
    }
  }
  const add = (term: string, n: number) => counts.set(term, (counts.get(term) ?? 0) + n);
  const isWhole = pending.length <= ALONG;
  if (isWhole) for (const { term, weight, known } of pending) add(term, Number(weight > 0) - known);
  else {
    const sums = await queryRows<{ term: string; n: string }>(
      tx,
      sql`${COUNTED} ${team} AND ${beginning(start)} GROUP BY term`,
    );
    for (const { term, n } of sums) add(term, Number(n));
  }
  const changes = groupBy(pending, (one) => one.term);
  return {
    counts: [...counts].filter(([, df]) => df > 0).sort((a, b) => b[1] - a[1]),
    listOf: (term) => {
      const version = versions.get(term);
      return isWhole && version ? cachedList(team, term, version, changes.get(term) ?? []) : null;
    },
  };
}
