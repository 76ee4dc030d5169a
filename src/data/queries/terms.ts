import { type SQL, sql } from "drizzle-orm";
import type { Query } from "@/core/search/query";
import type { Tx } from "../database";
import { termDue, termPosting, termStat } from "../schema";
import { listed } from "./by-keys";
import { ALL } from "./search-feed";

/** A word of the query with the terms of the team's index that stand for it, and in how many resources each is. */
export type Sought = { typed: string; terms: { term: string; df: number }[] };

/** Beginnings of words stand for at most so many terms, the most used ones, and these for about so many postings. */
const PREFIXES = 40;
const POSTINGS = 60_000;

/** How many resources of the team are in the index. */
export const countIndexed = async (tx: Tx, team: string): Promise<number> =>
  (await dfOf(tx, team, [ALL])).get(ALL) ?? 0;

/** What the index of a team knows of the words of a query. */
export type Looked = {
  sought: Sought[];
  /** How many resources are in the index. */
  indexed: number;
  /** How many changes wait to be fed to it, counted up to `due`. */
  due: number;
};

/** Looks the words of a query up among the team's terms; in one statement, because every search does this first. */
export async function lookUp(tx: Tx, team: string, groups: Query["groups"], due: number): Promise<Looked> {
  const exact = [...new Set(groups.flatMap((group) => group.terms)), ALL];
  const [rows] = (await tx.execute(
    sql.join(
      [
        sql`(SELECT ${DUE} AS part, '' AS term, COUNT(*) AS df FROM (SELECT id FROM ${termDue} WHERE team = ${team} LIMIT ${due}) d)`,
        ...countsOf(team, sql`term IN (${listed(exact)})`, EXACT),
        ...groups.flatMap(({ prefix }, i) => (prefix ? countsOf(team, beginning(prefix), i, PREFIXES) : [])),
      ],
      sql` UNION ALL `,
    ),
  )) as unknown as [{ part: number; term: string; df: number }[]];
  const part = (which: number) => added(rows.filter((row) => Number(row.part) === which));
  const known = part(EXACT);
  const sought = groups.map(({ typed, terms, prefix }, i) => {
    const found = new Map(
      terms.flatMap((term) =>
        known.get(term)! > 0 ? [[term, { term, df: known.get(term)! }] as const] : [],
      ),
    );
    if (!prefix) return { typed, terms: [...found.values()] };
    let postings = 0;
    const mostUsed = [...part(i)].filter(([, df]) => df > 0).sort((a, b) => b[1] - a[1]);
    for (const [term, df] of mostUsed.slice(0, PREFIXES))
      if ((postings += df) <= POSTINGS || !found.size) found.set(term, { term, df });
    return { typed, terms: [...found.values()] };
  });
  const [waiting] = part(DUE).values();
  return { sought, indexed: known.get(ALL) ?? 0, due: waiting ?? 0 };
}

const DUE = -2;
const EXACT = -1;

/**
 * In how many resources terms are: by the blocks, and by what is noted and not packed yet; both are to be added.
 * @param part tells the rows of one statement apart
 * @param most so many of the blocks' terms, the most used ones
 */
const countsOf = (team: string, which: SQL, part: number, most?: number): SQL[] => [
  sql`(SELECT ${part} AS part, term, df FROM ${termStat} WHERE team = ${team} AND ${which}${
    most ? sql` ORDER BY df DESC LIMIT ${most}` : sql``
  })`,
  sql`(SELECT ${part}, term, SUM((weight > 0) - known) AS df FROM ${termPosting} WHERE team = ${team} AND ${which} GROUP BY term)`,
];

function added(rows: readonly { term: string; df: number }[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { term, df } of rows) counts.set(term, (counts.get(term) ?? 0) + Number(df));
  return counts;
}

const beginning = (start: string): SQL => sql`term LIKE ${`${start.replace(/[\\%_]/g, "\\$&")}%`}`;

/** The most used terms of a team that begin like this, as they were written. */
export async function termsBeginning(
  tx: Tx,
  team: string,
  start: string,
  most: number,
): Promise<{ word: string; df: number }[]> {
  const those = sql`team = ${team} AND ${beginning(start)}`;
  const [rows] = (await tx.execute(sql`
    SELECT word, SUM(df) AS df FROM (
      SELECT word, df FROM ${termStat} WHERE ${those}
      UNION ALL SELECT word, (weight > 0) - known FROM ${termPosting} WHERE ${those}) t
    GROUP BY word HAVING SUM(df) > 0 ORDER BY df DESC LIMIT ${most}`)) as unknown as [
    { word: string; df: string | number }[],
  ];
  return rows.map(({ word, df }) => ({ word, df: Number(df) }));
}

/** In how many resources of the team each of these terms is. */
export async function dfOf(tx: Tx, team: string, terms: readonly string[]): Promise<Map<string, number>> {
  if (!terms.length) return new Map();
  const [rows] = (await tx.execute(
    sql.join(countsOf(team, sql`term IN (${listed(terms)})`, EXACT), sql` UNION ALL `),
  )) as unknown as [{ term: string; df: number }[]];
  return added(rows);
}
