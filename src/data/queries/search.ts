import { and, eq, inArray, type SQL, sql } from "drizzle-orm";
import type { Filters, Query } from "@/core/search/query";
import { idf } from "@/core/search/weigh";
import type { Tx } from "../database";
import { resource, resourceTag, tag, termPosting, termStat } from "../schema";
import { ALL } from "./search-feed";

/** A word of the query with the terms of the team's index that stand for it, and in how many resources each is. */
export type Sought = { typed: string; terms: { term: string; df: number }[] };
export type Hit = { id: string; score: number };

/** Beginnings of words stand for at most so many terms, the most used ones. */
const PREFIXES = 40;
/** idf is multiplied by this and rounded, so that scores are whole numbers that can be paged by. */
const FINE = 100;

/** How many resources of the team are in the index. */
export async function countIndexed(tx: Tx, team: string): Promise<number> {
  const rows = await tx
    .select({ df: termStat.df })
    .from(termStat)
    .where(and(eq(termStat.team, team), eq(termStat.term, ALL)));
  return rows[0]?.df ?? 0;
}

/** Looks the words of a query up among the team's terms. */
export async function lookUpTerms(tx: Tx, team: string, groups: Query["groups"]): Promise<Sought[]> {
  const exact = [...new Set(groups.flatMap((group) => group.terms))];
  const known = new Map(
    exact.length
      ? (
          await tx
            .select({ term: termStat.term, df: termStat.df })
            .from(termStat)
            .where(and(eq(termStat.team, team), inArray(termStat.term, exact)))
        ).map((row) => [row.term, row])
      : [],
  );
  return Promise.all(
    groups.map(async ({ typed, terms, prefix }) => {
      const found = new Map(
        terms.flatMap((term) => (known.has(term) ? [[term, known.get(term)!] as const] : [])),
      );
      if (prefix)
        for (const row of await termsBeginning(tx, team, prefix, PREFIXES)) found.set(row.term, row);
      return { typed, terms: [...found.values()] };
    }),
  );
}

/** The most used terms of a team that begin like this. */
export async function termsBeginning(tx: Tx, team: string, start: string, most: number) {
  return tx
    .select({ term: termStat.term, df: termStat.df, word: termStat.word })
    .from(termStat)
    .where(
      and(
        eq(termStat.team, team),
        sql`${termStat.term} LIKE ${`${start.replace(/[\\%_]/g, "\\$&")}%`}`,
        sql`${termStat.df} > 0`,
      ),
    )
    .orderBy(sql`${termStat.df} desc`)
    .limit(most);
}

export type Asked = {
  team: string;
  /** All of these words must be there. */
  sought: readonly Sought[];
  /** None of these terms may be. */
  without: readonly string[];
  filters: SQL | null;
  indexed: number;
  order: "best" | "newest";
  /** The last hit of the page before. */
  after: Hit | null;
  most: number;
};

/**
 * Resources in which all words stand, best first: the sum of idf times weight over the terms found (BM25F), newer ones
 * first where it is the same. Two forms: when one word is much rarer than the others its few resources are looked up
 * in the others' lists; else the lists are read whole and grouped.
 */
export async function findByWords(tx: Tx, asked: Asked): Promise<Hit[]> {
  const { team, sought, without, filters, indexed, order, after, most } = asked;
  if (sought.some((one) => !one.terms.length)) return [];
  const terms = [...new Map(sought.flatMap((one) => one.terms).map((one) => [one.term, one.df]))];
  const rarity = (df: number) => Math.max(1, Math.round(idf(indexed, df) * FINE));
  const single = sought.every((one) => one.terms.length === 1) && terms.length === sought.length;
  const score =
    terms.length === 1
      ? sql`p.weight * ${sql.raw(String(rarity(terms[0]![1])))}`
      : sql`p.weight * CASE p.term ${sql.join(
          terms.map(([term, df]) => sql`WHEN ${term} THEN ${sql.raw(String(rarity(df)))}`),
          sql` `,
        )} END`;
  const listed = (list: readonly string[]) =>
    sql.join(
      list.map((term) => sql`${term}`),
      sql`, `,
    );
  const sum = (one: Sought) => one.terms.reduce((all, { df }) => all + df, 0);
  const sorted = [...sought].sort((a, b) => sum(a) - sum(b));
  const rare = sorted[0]!;
  const joined = sorted.length > 1 && sum(rare) * 4 < sum(sorted[1]!);
  const all = terms.map(([term]) => term);
  const from = joined
    ? sql`(SELECT DISTINCT resource FROM ${termPosting} WHERE team = ${team} AND term IN (${listed(rare.terms.map((one) => one.term))})) few
          STRAIGHT_JOIN ${termPosting} p ON p.team = ${team} AND p.term IN (${listed(all)}) AND p.resource = few.resource`
    : sql`${termPosting} p`;
  const conditions: SQL[] = joined ? [] : [sql`p.team = ${team}`, sql`p.term IN (${listed(all)})`];
  if (without.length)
    conditions.push(
      sql`NOT EXISTS (SELECT 1 FROM ${termPosting} n WHERE n.team = ${team} AND n.term IN (${listed(without)}) AND n.resource = p.resource)`,
    );
  if (filters)
    conditions.push(sql`EXISTS (SELECT 1 FROM ${resource} r WHERE r.id = p.resource AND ${filters})`);
  // Every word must be there: with one term a word, as many rows; else one bit a word.
  const whole =
    sought.length === 1 ? null
    : single ? sql`COUNT(*) = ${sql.raw(String(sought.length))}`
    : sql`BIT_OR(CASE p.term ${sql.join(
        all.map((term) => {
          const bits = sought.reduce(
            (sum, one, i) => (one.terms.some((other) => other.term === term) ? sum | (1 << i) : sum),
            0,
          );
          return sql`WHEN ${term} THEN ${sql.raw(String(bits))}`;
        }),
        sql` `,
      )} END) = ${sql.raw(String((1 << sought.length) - 1))}`; // prettier-ignore
  const grouped = terms.length > 1;
  const having: SQL[] = whole ? [whole] : [];
  const past = (scoreOf: SQL, id: SQL) =>
    order === "newest"
      ? sql`${id} < ${after!.id}`
      : sql`(${scoreOf} < ${after!.score} OR (${scoreOf} = ${after!.score} AND ${id} < ${after!.id}))`;
  if (after) {
    if (grouped && order === "best") having.push(past(sql`SUM(${score})`, sql`p.resource`));
    else conditions.push(past(score, sql`p.resource`));
  }
  const where = conditions.length ? sql`WHERE ${sql.join(conditions, sql` AND `)}` : sql``;
  const group = grouped ? sql`GROUP BY p.resource` : sql``;
  const has = having.length ? sql`HAVING ${sql.join(having, sql` AND `)}` : sql``;
  const by = order === "newest" ? sql`id DESC` : sql`score DESC, id DESC`;
  const [rows] = (await tx.execute(
    sql`SELECT p.resource AS id, ${grouped ? sql`SUM(${score})` : score} AS score FROM ${from} ${where} ${group} ${has} ORDER BY ${by} LIMIT ${most}`,
  )) as unknown as [{ id: string; score: string | number }[]];
  return rows.map((row) => ({ id: row.id, score: Number(row.score) }));
}

/** Names in the filters that were found, as ids. */
export type FoundNames = { tags: string[][]; people: string[]; collections: string[] };

/** The condition on a row `r` of resource that the filters are; null when there are none. */
export function filterOn(team: string, filters: Filters, names: FoundNames): SQL | null {
  const all: SQL[] = [sql`r.team = ${team}`, sql`r.deleted_at IS NULL`];
  const none = all.length;
  const list = (ids: readonly string[]) =>
    ids.length
      ? sql.join(
          ids.map((id) => sql`${id}`),
          sql`, `,
        )
      : sql`NULL`;
  for (const ids of names.tags)
    all.push(
      sql`EXISTS (SELECT 1 FROM ${resourceTag} t WHERE t.team = ${team} AND t.tag IN (${list(ids)}) AND t.resource = r.id)`,
    );
  if (filters.site.length)
    all.push(
      sql`(${sql.join(
        filters.site.map((site) => sql`r.host = ${site} OR r.host = ${`www.${site}`}`),
        sql` OR `,
      )})`,
    );
  if (filters.kind.length) all.push(sql`r.kind IN (${list(filters.kind)})`);
  if (filters.by.length) all.push(sql`r.added_by IN (${list(names.people)})`);
  if (filters.in.length)
    all.push(
      sql`EXISTS (SELECT 1 FROM placement pl WHERE pl.resource = r.id AND pl.deleted_at IS NULL AND pl.collection IN (${list(names.collections)}))`,
    );
  if (filters.added?.from) all.push(sql`r.created_at >= ${filters.added.from}`);
  if (filters.added?.to) all.push(sql`r.created_at < ${filters.added.to}`);
  if (filters.length?.from !== null && filters.length?.from !== undefined)
    all.push(sql`r.minutes >= ${filters.length.from}`);
  if (filters.length?.to !== null && filters.length?.to !== undefined)
    all.push(sql`r.minutes <= ${filters.length.to}`);
  for (const state of filters.is) all.push(STATE_IS[state]);
  return all.length === none ? null : sql.join(all, sql` AND `);
}

/** What each state means for a row `r` of resource. */
export const STATE_IS: Record<Filters["is"][number], SQL> = {
  untagged: sql`NOT EXISTS (SELECT 1 FROM resource_tag t WHERE t.resource = r.id)`,
  unplaced: sql`NOT EXISTS (SELECT 1 FROM placement pl WHERE pl.resource = r.id AND pl.deleted_at IS NULL)`,
  unpictured: sql`r.picture_hash IS NULL`,
  dead: sql`r.fetch_state = 'failed'`,
  twin: sql`r.twin_of IS NOT NULL`,
  waiting: sql`r.fetch_state = 'waiting'`,
};

/** Ids of tags by the start of their keys or the whole, for tag: filters. */
export async function tagIdsNamed(tx: Tx, team: string, keys: readonly string[]): Promise<string[][]> {
  if (!keys.length) return [];
  const rows = await tx
    .select({ id: tag.id, key: tag.key })
    .from(tag)
    .where(and(eq(tag.team, team), inArray(tag.key, [...keys])));
  return keys.map((key) => rows.filter((row) => row.key === key).map((row) => row.id));
}

/** Resources by filters alone, newest first. Each form reads an index that is in that order already. */
export async function findByFilters(
  tx: Tx,
  team: string,
  filters: SQL | null,
  { tags, after, most }: { tags: readonly string[]; after: string | null; most: number },
): Promise<Hit[]> {
  const [rows] = (await tx.execute(
    tags.length === 1
      ? sql`SELECT t.resource AS id FROM ${resourceTag} t STRAIGHT_JOIN ${resource} r ON r.id = t.resource
            WHERE t.team = ${team} AND t.tag = ${tags[0]} ${after ? sql`AND t.resource < ${after}` : sql``} AND ${filters}
            ORDER BY t.resource DESC LIMIT ${most}`
      : sql`SELECT r.id AS id FROM ${resource} r ${filters ? sql`` : sql`FORCE INDEX (resource_newest)`}
            WHERE r.team = ${team} AND r.deleted_at IS NULL ${after ? sql`AND r.id < ${after}` : sql``} ${filters ? sql`AND ${filters}` : sql``}
            ORDER BY r.id DESC LIMIT ${most}`,
  )) as unknown as [{ id: string }[]];
  return rows.map(({ id }) => ({ id, score: 0 }));
}

/** In how many resources of the team each of these terms is. */
export async function dfOf(tx: Tx, team: string, terms: readonly string[]): Promise<Map<string, number>> {
  if (!terms.length) return new Map();
  const rows = await tx
    .select({ term: termStat.term, df: termStat.df })
    .from(termStat)
    .where(and(eq(termStat.team, team), inArray(termStat.term, [...terms])));
  return new Map(rows.map((row) => [row.term, row.df]));
}
