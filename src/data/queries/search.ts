import { type SQL, sql } from "drizzle-orm";
import { LONGEST_TERM } from "@/core/search/tokens";
import { idf } from "@/core/search/weigh";
import type { Tx } from "../database";
import { resource, resourceTag, termPosting } from "../schema";
import { listed } from "./by-keys";
import { leftOut } from "./filters";
import type { Sought } from "./terms";

export type Hit = { id: string; score: number };

/** idf is multiplied by this and rounded, so that scores are whole numbers that can be paged by. */
const FINE = 100;

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
  /** Counts all there are up to here. */
  counted?: number;
  /** About in the middle of the team's resources: with it, long lists are read in two halves at once. */
  middle?: string | null;
};

/** Hits, and how many there are in all when it was asked to count them. */
export type Hits = { hits: Hit[]; total: number | null };

/**
 * Resources in which all words stand, best first: the sum of idf times weight over the terms found (BM25F), newer ones
 * first where it is the same. Two forms: when one word is much rarer than the others its few resources are looked up
 * in the others' lists; else the lists are read whole and grouped.
 */
export async function findByWords(tx: Tx, asked: Asked): Promise<Hits> {
  if (asked.sought.some((one) => !one.terms.length)) return { hits: [], total: 0 };
  const few = fewFirst(asked);
  if (few) return hitsOfForm(tx, asked, few);
  const { middle, order, most, counted } = asked;
  if (!middle) return hitsOfForm(tx, asked, wholeLists(asked));
  const halves = await Promise.all(
    [sql`p.resource < ${middle}`, sql`p.resource >= ${middle}`].map((half) =>
      hitsOfForm(tx, asked, partOfLists(asked, half)),
    ),
  );
  const newerFirst = (a: Hit, b: Hit) => (a.id < b.id ? 1 : -1);
  const hits = halves
    .flatMap((half) => half.hits)
    .sort(order === "newest" ? newerFirst : (a, b) => b.score - a.score || newerFirst(a, b));
  const total = counted ? Math.min(counted, halves[0]!.total! + halves[1]!.total!) : null;
  return { hits: hits.slice(0, most), total };
}

/** Whether it is worth reading the lists of these words in two halves at once. */
export const areLong = (sought: readonly Sought[]): boolean =>
  sum(sought) > (termsIn(sought).length <= FEW ? WORTH_TWO : WORTH_TWO_OF_MANY);

function hitsOfForm(tx: Tx, asked: Asked, form: Form): Promise<Hits> {
  const { team, without, filters, order, after } = asked;
  const { from, id, score, grouped } = form;
  const where = [...form.where];
  const having = [...form.having];
  if (without.length) where.push(leftOut(team, without, id));
  if (filters) where.push(sql`EXISTS (SELECT 1 FROM ${resource} r WHERE r.id = ${id} AND ${filters})`);
  if (after && order === "newest") where.push(sql`${id} < ${after.id}`);
  else if (after)
    (grouped ? having : where).push(
      sql`(${score} < ${after.score} OR (${score} = ${after.score} AND ${id} < ${after.id}))`,
    );
  const all = (word: string, list: readonly SQL[]) =>
    list.length ? sql`${sql.raw(word)} ${sql.join([...list], sql` AND `)}` : sql``;
  const ordered = order === "newest" ? sql`id DESC` : sql`score DESC, id DESC`;
  return hitsOf(
    tx,
    sql`SELECT ${id} AS id, ${score} AS score FROM ${from} ${all("WHERE", where)}
      ${grouped ? sql`GROUP BY ${id}` : sql``} ${all("HAVING", having)} ORDER BY ${ordered}`,
    ordered,
    asked,
  );
}

/** The first `most` rows of a query; with `counted`, it is read up to there, and only their number is sent along. */
async function hitsOf(
  tx: Tx,
  query: SQL,
  ordered: SQL,
  { most, counted }: { most: number; counted?: number },
): Promise<Hits> {
  const [rows] = (await tx.execute(
    counted
      ? sql`SELECT id, score, COUNT(*) OVER () AS total FROM (${query} LIMIT ${counted}) h ORDER BY ${ordered} LIMIT ${most}`
      : sql`${query} LIMIT ${most}`,
  )) as unknown as [{ id: string; score: string | number; total?: number }[]];
  return {
    hits: rows.map((row) => ({ id: row.id, score: Number(row.score) })),
    total: counted ? Number(rows[0]?.total ?? 0) : null,
  };
}

/** The parts of a query over the lists of terms. */
type Form = { from: SQL; id: SQL; score: SQL; where: SQL[]; grouped: boolean; having: SQL[] };

const termsIn = (sought: readonly Sought[]) =>
  [...new Map(sought.flatMap((one) => one.terms).map((one) => [one.term, one]))].map(([, one]) => one);
const sum = (sought: readonly Sought[]) => termsIn(sought).reduce((all, { df }) => all + df, 0);

/** From so many postings on they are read in two halves at once. */
const WORTH_TWO = 5_000;
/** To find the term of a posting among more than a few takes long; only of very long lists reading less saves more. */
const WORTH_TWO_OF_MANY = 30_000;
const FEW = 6;

/** idf as a whole number. */
const rarity = (indexed: number, df: number): number => Math.max(1, Math.round(idf(indexed, df) * FINE));

/** One bit for each word that a term stands for. */
const bitsOf = (sought: readonly Sought[], term: string): bigint =>
  sought.reduce(
    (bits, one, i) => (one.terms.some((other) => other.term === term) ? bits | (1n << BigInt(i)) : bits),
    0n,
  );

/**
 * The terms of some words as a table `k` to begin a join with: how much each counts (idf), and one bit for each word it
 * stands for. A list in the query, with a CASE to find these, takes longer for each posting.
 */
function termTable(sought: readonly Sought[], indexed: number): SQL {
  const rows = termsIn(sought).map(({ term, df }) => ({
    term,
    idf: rarity(indexed, df),
    words: String(bitsOf(sought, term)),
  }));
  return sql`JSON_TABLE(${JSON.stringify(rows)}, '$[*]' COLUMNS (
    term VARCHAR(${sql.raw(String(LONGEST_TERM))}) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin PATH '$.term',
    idf INT PATH '$.idf', words BIGINT UNSIGNED PATH '$.words')) k`;
}

/** The sum of idf times weight over postings `p` of terms `k`; whole numbers, added as floating point, which is faster. */
const SCORE = sql`SUM(p.weight * (k.idf + 0e0))`;

/** That every word is among the postings of a resource: with one term a word, as many rows; else the bit of each. */
function everyWord(sought: readonly Sought[], words: SQL = sql`k.words`): SQL[] {
  if (sought.length < 2) return [];
  const terms = termsIn(sought);
  if (terms.length === sought.length && sought.every((one) => one.terms.length === 1))
    return [sql`COUNT(*) = ${sql.raw(String(sought.length))}`];
  return [sql`BIT_OR(${words}) = ${sql.raw(String((1n << BigInt(sought.length)) - 1n))}`];
}

/** The lists of all terms, read whole. */
function wholeLists({ team, sought, indexed }: Asked): Form {
  const grouped = termsIn(sought).length > 1;
  return {
    from: sql`${termTable(sought, indexed)} STRAIGHT_JOIN ${termPosting} p ON p.team = ${team} AND p.term = k.term`,
    id: sql`p.resource`,
    score: grouped ? SCORE : sql`p.weight * k.idf`,
    where: [],
    grouped,
    having: everyWord(sought),
  };
}

/** The lists of all terms from one resource to another: named in the query, each is read only there. */
function partOfLists({ team, sought, indexed }: Asked, part: SQL): Form {
  const terms = termsIn(sought);
  const idfs = terms.map(({ term, df }) => sql`WHEN ${term} THEN ${sql.raw(`${rarity(indexed, df)}e0`)}`);
  const score = sql`p.weight * CASE p.term ${sql.join(idfs, sql` `)} END`;
  const bits = terms.map(({ term }) => sql`WHEN ${term} THEN ${sql.raw(String(bitsOf(sought, term)))}`);
  const grouped = terms.length > 1;
  return {
    from: sql`${termPosting} p`,
    id: sql`p.resource`,
    score: grouped ? sql`SUM(${score})` : score,
    where: [sql`p.team = ${team}`, sql`p.term IN (${listed(terms.map((one) => one.term))})`, part],
    grouped,
    having: everyWord(sought, sql`CASE p.term ${sql.join(bits, sql` `)} END`),
  };
}

/** A look-up by key costs about as much as reading so many postings in a row. */
const LOOK_UP = 5;

/**
 * The few resources of the rarest word, each looked up by key in the lists of the others; null when reading the lists
 * costs less, or a term stands for two of the words.
 */
function fewFirst({ team, sought, indexed }: Asked): Form | null {
  const [rare, ...others] = [...sought].sort((a, b) => sum([a]) - sum([b]));
  const terms = termsIn(others);
  if (!terms.length || terms.length + rare!.terms.length > termsIn(sought).length) return null;
  if (sum([rare!]) * terms.length * LOOK_UP > sum(others)) return null;
  return {
    // Each posting of the others is looked up by its whole key.
    from: sql`(SELECT p.resource, ${SCORE} AS score FROM ${termTable([rare!], indexed)}
        STRAIGHT_JOIN ${termPosting} p ON p.team = ${team} AND p.term = k.term GROUP BY p.resource) few
      STRAIGHT_JOIN ${termTable(others, indexed)}
      STRAIGHT_JOIN ${termPosting} p ON p.team = ${team} AND p.term = k.term AND p.resource = few.resource`,
    id: sql`few.resource`,
    score: sql`MAX(few.score) + ${SCORE}`,
    where: [],
    grouped: true,
    having: everyWord(others),
  };
}

/** Resources by filters alone, newest first. Each form reads an index that is in that order already. */
export async function findByFilters(
  tx: Tx,
  team: string,
  filters: SQL | null,
  { tags, after, ...page }: { tags: readonly string[]; after: string | null; most: number; counted?: number },
): Promise<Hits> {
  const query =
    tags.length === 1
      ? sql`SELECT t.resource AS id, 0 AS score FROM ${resourceTag} t STRAIGHT_JOIN ${resource} r ON r.id = t.resource
            WHERE t.team = ${team} AND t.tag = ${tags[0]} ${after ? sql`AND t.resource < ${after}` : sql``} AND ${filters}
            ORDER BY t.resource DESC`
      : sql`SELECT r.id AS id, 0 AS score FROM ${resource} r ${filters ? sql`` : sql`FORCE INDEX (resource_newest)`}
            WHERE r.team = ${team} AND r.deleted_at IS NULL ${after ? sql`AND r.id < ${after}` : sql``} ${filters ? sql`AND ${filters}` : sql``}
            ORDER BY r.id DESC`;
  return hitsOf(tx, query, sql`id DESC`, page);
}

/** The resource in the middle of a team's, by age; null when it has none. Reads half an index; best kept for a while. */
export async function middleResource(tx: Tx, team: string): Promise<string | null> {
  const living = sql`FROM ${resource} FORCE INDEX (resource_newest) WHERE team = ${team} AND deleted_at IS NULL`;
  const [[count]] = (await tx.execute(sql`SELECT COUNT(*) AS n ${living}`)) as unknown as [{ n: number }[]];
  const [[row]] = (await tx.execute(
    sql`SELECT id ${living} ORDER BY id LIMIT 1 OFFSET ${Math.floor(Number(count?.n ?? 0) / 2)}`,
  )) as unknown as [{ id: string }[]];
  return row?.id ?? null;
}
