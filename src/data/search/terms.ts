import { queryRows } from "../sql/query-rows";
import { sql } from "drizzle-orm";
import { groupBy } from "@/core/list/group-by";
import type { Postings } from "@/core/search/postings";
import type { Query } from "@/core/search/query";
import type { Tx } from "../database";
import { reindexQueue, termPosting, termStat } from "../schema";
import { beginning, readPrefixMatches, selectPrefixMatches } from "./prefix-matches";
import { listed } from "../sql/by-keys";
import { fixed } from "../sql/fixed";
import { AskedLists, type ListRow } from "./postings";
import { ALL } from "./index-writes";

/** What is looked up of a query, and terms that are no words whose lists are read along. */
type Terms = Pick<Query, "groups" | "without"> & { keys?: readonly string[] };

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
  /** The lists of the terms that the query names; of those that only begin like its last word, the ones kept. */
  lists: Map<string, Postings>;
  /** How many resources are in the index. */
  indexed: number;
  /** How many changes wait to be fed to it, counted up to `queued`. */
  queued: number;
};

/** Looks the words of a query up among the team's terms; in one statement, because every search does this first. */
export async function lookUp(tx: Tx, team: string, query: Terms, queued: number): Promise<Looked> {
  const { groups, without, keys = [] } = query;
  const named = [...groups.flatMap((group) => group.terms), ...without.flat(), ...keys];
  const asked = new AskedLists(team, named);
  const selects = [
    sql`SELECT ${DUE} AS part, ${WAITING} ${team} LIMIT ${queued}) d`,
    ...asked.selects(LISTS),
    sql`SELECT ${INDEXED}, ${PACKED} ${team} AND term = ${ALL}`,
    sql`SELECT ${INDEXED}, ${NOTED_OF_ALL} ${team} AND term = ${ALL}`,
    ...groups.flatMap(({ prefix }, i) =>
      prefix ? selectPrefixMatches(team, prefix, sql`${i}`, PREFIXES) : [],
    ),
  ];
  const rows = await queryRows<ListRow & { part: number | string }>(tx, sql.join(selects, sql` UNION ALL `));
  const parts = groupBy(rows, ({ part }) => String(part));
  const lists = await asked.read(tx, parts.get("lists") ?? []);
  const sought: Sought[] = [];
  for (const [i, { typed, terms, prefix }] of groups.entries()) {
    const found = new Map(terms.map((term) => [term, lists.get(term)?.length ?? 0]));
    for (const [term, df] of found) if (!df) found.delete(term);
    if (prefix) {
      const prefixMatches = await readPrefixMatches(tx, team, prefix, parts.get(String(i)) ?? []);
      let postings = 0;
      for (const [term, df] of prefixMatches.counts.slice(0, PREFIXES)) {
        if ((postings += df) > POSTINGS && found.size) continue;
        found.set(term, df);
        const list = lists.has(term) ? null : prefixMatches.listOf(term);
        if (list) lists.set(term, list);
      }
    }
    sought.push({ typed, terms: [...found].map(([term, df]) => ({ term, df })) });
  }
  return {
    sought,
    lists,
    indexed: added(parts.get("indexed")).get(ALL) ?? 0,
    queued: Number(parts.get("queued")?.[0]?.n ?? 0),
  };
}

/** What is asked for in one statement, as its rows are told apart; those of a beginning by the place of its group. */
const [DUE, LISTS, INDEXED] = [sql.raw("'queued'"), sql.raw("'lists'"), sql.raw("'indexed'")];

/* What their selects have in common. */
const WAITING =
  fixed(sql`'' AS term, COUNT(*) AS n, NULL AS version, NULL AS resource, NULL AS pack, NULL AS known
  FROM (SELECT id FROM ${reindexQueue} WHERE team = `);
const PACKED = fixed(sql`term, df AS n, NULL, NULL, NULL, NULL FROM ${termStat} WHERE team = `);
/** Of one term there is nothing to group, which would be written to a table first. */
const NOTED_OF_ALL = fixed(sql`MAX(term), SUM((weight > 0) - known), NULL, NULL, NULL, NULL
  FROM ${termPosting} WHERE team = `);

function added(rows: readonly { term: string; n: number | string }[] = []): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { term, n } of rows) counts.set(term, (counts.get(term) ?? 0) + Number(n));
  return counts;
}

/** The most used terms of a team that begin like this, as they were written. */
export async function termsBeginning(
  tx: Tx,
  team: string,
  start: string,
  most: number,
): Promise<{ word: string; df: number }[]> {
  const those = sql`team = ${team} AND ${beginning(start)}`;
  const rows = await queryRows<{ word: string; df: string | number }>(
    tx,
    sql`
    SELECT word, SUM(df) AS df FROM (
      SELECT word, df FROM ${termStat} WHERE ${those}
      UNION ALL SELECT word, (weight > 0) - known FROM ${termPosting} WHERE ${those}) t
    GROUP BY word HAVING SUM(df) > 0 ORDER BY df DESC LIMIT ${most}`,
  );
  return rows.map(({ word, df }) => ({ word, df: Number(df) }));
}

/** In how many resources of the team each of these terms is. */
export async function dfOf(tx: Tx, team: string, terms: readonly string[]): Promise<Map<string, number>> {
  if (!terms.length) return new Map();
  const those = sql`team = ${team} AND term IN (${listed(terms)})`;
  const rows = await queryRows<{ term: string; n: string | number }>(
    tx,
    sql`
    SELECT term, df AS n FROM ${termStat} WHERE ${those}
    UNION ALL SELECT term, SUM((weight > 0) - known) FROM ${termPosting} WHERE ${those} GROUP BY term`,
  );
  return added(rows);
}
