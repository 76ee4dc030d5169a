import { type SQL, sql } from "drizzle-orm";
import { groupBy } from "@/core/list/group-by";
import type { Postings } from "@/core/search/postings";
import type { Query } from "@/core/search/query";
import type { Tx } from "../database";
import { termDue, termPosting, termStat } from "../schema";
import { listed } from "./by-keys";
import { fixed } from "./fixed";
import { AskedLists, type ListRow } from "./postings";
import { ALL } from "./search-feed";

/** What is looked up of a query. */
type Terms = Pick<Query, "groups" | "without">;

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
  /** The lists of the terms that the query names; not of all that only begin like its last word. */
  lists: Map<string, Postings>;
  /** How many resources are in the index. */
  indexed: number;
  /** How many changes wait to be fed to it, counted up to `due`. */
  due: number;
};

/** Looks the words of a query up among the team's terms; in one statement, because every search does this first. */
export async function lookUp(tx: Tx, team: string, query: Terms, due: number): Promise<Looked> {
  const { groups, without } = query;
  const asked = new AskedLists(team, [...groups.flatMap((group) => group.terms), ...without.flat()]);
  const selects = [
    sql`SELECT ${DUE} AS part, ${WAITING} ${team} LIMIT ${due}) d`,
    ...asked.selects(LISTS),
    // Of one term there is nothing to group, which would be written to a table first.
    ...countsOf(team, sql`term = ${ALL}`, INDEXED, { grouped: false }),
    ...groups.flatMap(({ prefix }, i) =>
      prefix ? countsOf(team, beginning(prefix), sql`${i}`, { most: PREFIXES }) : [],
    ),
  ];
  const [rows] = (await tx.execute(sql.join(selects, sql` UNION ALL `))) as unknown as [
    (ListRow & { part: number | string })[],
  ];
  const parts = groupBy(rows, ({ part }) => String(part));
  const lists = await asked.read(tx, parts.get("lists") ?? []);
  const sought = groups.map(({ typed, terms, prefix }, i) => {
    const found = new Map(
      terms.flatMap((term) => {
        const df = lists.get(term)?.length ?? 0;
        return df ? [[term, { term, df }] as const] : [];
      }),
    );
    if (!prefix) return { typed, terms: [...found.values()] };
    let postings = 0;
    const mostUsed = [...added(parts.get(String(i)))].filter(([, df]) => df > 0).sort((a, b) => b[1] - a[1]);
    for (const [term, df] of mostUsed.slice(0, PREFIXES))
      if ((postings += df) <= POSTINGS || !found.size) found.set(term, { term, df });
    return { typed, terms: [...found.values()] };
  });
  return {
    sought,
    lists,
    indexed: added(parts.get("indexed")).get(ALL) ?? 0,
    due: Number(parts.get("due")?.[0]?.n ?? 0),
  };
}

/** What is asked for in one statement, as its rows are told apart; those of a beginning by the place of its group. */
const [DUE, LISTS, INDEXED] = [sql.raw("'due'"), sql.raw("'lists'"), sql.raw("'indexed'")];

/**
 * In how many resources terms are: by the blocks, and by what is noted and not packed yet; both are to be added.
 * @param part tells the rows of one statement apart
 * @param most so many of the blocks' terms, the most used ones
 */
const countsOf = (
  team: string,
  which: SQL,
  part: SQL,
  { most = 0, grouped = true }: { most?: number; grouped?: boolean } = {},
): SQL[] => [
  sql`(SELECT ${part} AS part, ${PACKED} ${team} AND ${which}${most ? sql` ORDER BY df DESC LIMIT ${most}` : sql``})`,
  sql`(SELECT ${part}, ${grouped ? NOTED : NOTED_OF_ONE} ${team} AND ${which}${grouped ? GROUPED : sql``})`,
];

/* What their selects have in common. */
const WAITING = fixed(sql`'' AS term, COUNT(*) AS n, NULL AS version, NULL AS resource, NULL AS pack
  FROM (SELECT id FROM ${termDue} WHERE team = `);
const PACKED = fixed(sql`term, df AS n, NULL AS version, NULL AS resource, NULL AS pack
  FROM ${termStat} WHERE team = `);
const NOTED = fixed(sql`term, SUM((weight > 0) - known), NULL, NULL, NULL FROM ${termPosting} WHERE team = `);
const NOTED_OF_ONE = fixed(sql`MAX(term), SUM((weight > 0) - known), NULL, NULL, NULL
  FROM ${termPosting} WHERE team = `);
const GROUPED = sql.raw(" GROUP BY term");

function added(rows: readonly { term: string; n: number | string }[] = []): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { term, n } of rows) counts.set(term, (counts.get(term) ?? 0) + Number(n));
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
  const counts = countsOf(team, sql`term IN (${listed(terms)})`, sql`0`);
  const [rows] = (await tx.execute(sql.join(counts, sql` UNION ALL `))) as unknown as [ListRow[]];
  return added(rows);
}
