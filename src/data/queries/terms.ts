import { and, eq, inArray, type SQL, sql } from "drizzle-orm";
import type { Query } from "@/core/search/query";
import type { Tx } from "../database";
import { termDue, termStat } from "../schema";
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
        sql`(SELECT ${EXACT}, term, df FROM ${termStat} WHERE team = ${team} AND term IN (${listed(exact)}))`,
        ...groups.flatMap(({ prefix }, i) =>
          prefix
            ? [
                sql`(SELECT ${i}, term, df FROM ${termStat} WHERE ${beginning(team, prefix)} ORDER BY df DESC LIMIT ${PREFIXES})`,
              ]
            : [],
        ),
      ],
      sql` UNION ALL `,
    ),
  )) as unknown as [{ part: number; term: string; df: number }[]];
  const part = (which: number) => rows.filter((row) => Number(row.part) === which);
  const known = new Map(part(EXACT).map(({ term, df }) => [term, df]));
  const sought = groups.map(({ typed, terms }, i) => {
    const found = new Map(
      terms.flatMap((term) => (known.has(term) ? [[term, { term, df: known.get(term)! }] as const] : [])),
    );
    let postings = 0;
    for (const { term, df } of part(i))
      if ((postings += df) <= POSTINGS || !found.size) found.set(term, { term, df });
    return { typed, terms: [...found.values()] };
  });
  return { sought, indexed: known.get(ALL) ?? 0, due: Number(part(DUE)[0]?.df ?? 0) };
}

const DUE = -2;
const EXACT = -1;

const beginning = (team: string, start: string): SQL =>
  sql`team = ${team} AND term LIKE ${`${start.replace(/[\\%_]/g, "\\$&")}%`} AND df > 0`;

/** The most used terms of a team that begin like this. */
export const termsBeginning = (tx: Tx, team: string, start: string, most: number) =>
  tx
    .select({ df: termStat.df, word: termStat.word })
    .from(termStat)
    .where(beginning(team, start))
    .orderBy(sql`${termStat.df} desc`)
    .limit(most);

/** In how many resources of the team each of these terms is. */
export async function dfOf(tx: Tx, team: string, terms: readonly string[]): Promise<Map<string, number>> {
  if (!terms.length) return new Map();
  const rows = await tx
    .select({ term: termStat.term, df: termStat.df })
    .from(termStat)
    .where(and(eq(termStat.team, team), inArray(termStat.term, [...terms])));
  return new Map(rows.map((row) => [row.term, row.df]));
}
