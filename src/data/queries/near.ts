import { and, countDistinct, eq, inArray, sql, type SQL } from "drizzle-orm";
import type { MySqlColumn } from "drizzle-orm/mysql-core";
import type { Tx } from "../database";
import { collection, listedAddress, listedTag, listing } from "../schema";
import { listed, rowsOf } from "../sql/by-keys";
import { queryRows } from "../sql/query-rows";
import { isPublic } from "./sharing";

/** What stands in more public collections than this makes none of them near. */
const COMMON = 2_000;

type Where = { table: typeof listedAddress | typeof listedTag; key: MySqlColumn };
const WHERE = {
  addresses: { table: listedAddress, key: listedAddress.hash },
  tags: { table: listedTag, key: listedTag.key },
} satisfies Record<string, Where>;

/** What is looked for by: addresses by their hashes, or subjects by their keys. */
export type By = keyof typeof WHERE;

/** What was found too common a moment ago is not counted again: it takes longest. By when it was found. */
const tooCommon = new Map<string, number>();
const [REMEMBERED, MOST_REMEMBERED] = [600_000, 20_000];

/**
 * In how many public collections each of these stands; what stands in too many to tell anything is left out. (One going
 * through the index for each: what is looked up with it later is not counted again.)
 */
export async function howCommon(tx: Tx, by: By, keys: readonly string[]): Promise<Map<string, number>> {
  const nameOf = (one: string) => `${by} ${one}`;
  const left = keys.filter((one) => (tooCommon.get(nameOf(one)) ?? 0) < Date.now() - REMEMBERED);
  if (!left.length) return new Map();
  const { table, key } = WHERE[by];
  const k = sql.identifier(key.name);
  const rows = await queryRows<{ k: string; df: number | string }>(
    tx,
    sql`SELECT ${k} AS k, COUNT(*) AS df FROM ${table} WHERE ${k} IN (${listed(left)}) GROUP BY ${k}`,
  );
  const counts = rows.map(({ k, df }) => [k, Number(df)] as const);
  if (tooCommon.size > MOST_REMEMBERED) tooCommon.clear();
  for (const [one, df] of counts) if (df > COMMON) tooCommon.set(nameOf(one), Date.now());
  return new Map(counts.filter(([, df]) => df <= COMMON));
}

/**
 * The public collections of other teams in which most of these stand, each counting by its weight: one join, when it is
 * asked for.
 */
export async function sharingMost(
  tx: Tx,
  by: By,
  team: string,
  weights: ReadonlyMap<string, number>,
  most: number,
): Promise<string[]> {
  if (!weights.size) return [];
  const { table, key } = WHERE[by];
  const k = sql.identifier(key.name);
  const sought = rowsOf([...weights], [`k ${key.getSQLType()}`, "w DOUBLE"]);
  const rows = await queryRows<{ id: string }>(
    tx,
    sql`SELECT STRAIGHT_JOIN a.collection AS id FROM ${sought} JOIN ${table} a ON a.${k} = j.k WHERE a.team <> ${team}
      GROUP BY a.collection ORDER BY SUM(j.w) DESC, a.collection DESC LIMIT ${most}`,
  );
  return rows.map((row) => row.id);
}

/** Which of these each of these public collections has. */
export async function sharedBy(
  tx: Tx,
  by: By,
  ids: readonly string[],
  keys: readonly string[],
): Promise<Map<string, string[]>> {
  const shares = new Map<string, string[]>();
  if (!ids.length || !keys.length) return shares;
  const { table, key } = WHERE[by];
  const k = sql.identifier(key.name);
  const rows = await queryRows<{ id: string; k: string }>(
    tx,
    sql`SELECT collection AS id, ${k} AS k FROM ${table} WHERE collection IN (${listed(ids)}) AND ${k} IN (${listed(keys)})`,
  );
  for (const { id, k: shared } of rows) shares.set(id, [...(shares.get(id) ?? []), shared]);
  return shares;
}

/** What is known of it is as its readers are shown it at this moment. */
const isTrueNow = (at: Date): SQL => and(isPublic(at), sql`${listing.noted} = ${listing.taken}`)!;

/** The public collections an address stands in at this moment, the newest first. */
export async function keepersOf(tx: Tx, hash: string, at: Date, most: number) {
  return tx
    .select({ id: listedAddress.collection, team: listedAddress.team })
    .from(listedAddress)
    .innerJoin(listing, eq(listing.collection, listedAddress.collection))
    .innerJoin(collection, eq(collection.id, listedAddress.collection))
    .where(and(eq(listedAddress.hash, hash), isTrueNow(at)))
    .orderBy(sql`${listing.since} DESC`)
    .limit(most);
}

/** A thing that stands beside another one: in how many teams' public collections, and in one of these. */
export type Beside = { hash: string; both: number; one: string };

/**
 * What else stands in these public collections, by how many teams have it there.
 * @param floor in fewer teams than this it is left out
 */
export async function besidesIn(
  tx: Tx,
  ids: readonly string[],
  hash: string,
  floor: number,
  most: number,
): Promise<Beside[]> {
  if (!ids.length) return [];
  const rows = await queryRows<{ hash: string; teams: number | string; one: string }>(
    tx,
    sql`SELECT hash, COUNT(DISTINCT team) AS teams, MAX(collection) AS one FROM ${listedAddress}
      WHERE collection IN (${listed(ids)}) AND hash <> ${hash}
      GROUP BY hash HAVING teams >= ${floor} ORDER BY teams DESC, hash LIMIT ${most}`,
  );
  return rows.map(({ teams, ...row }) => ({ ...row, both: Number(teams) }));
}

/** How many teams have each of these addresses in what they made public. */
export async function teamsHaving(tx: Tx, hashes: readonly string[]): Promise<Map<string, number>> {
  if (!hashes.length) return new Map();
  const rows = await tx
    .select({ hash: listedAddress.hash, teams: countDistinct(listedAddress.team) })
    .from(listedAddress)
    .where(inArray(listedAddress.hash, [...hashes]))
    .groupBy(listedAddress.hash);
  return new Map(rows.map(({ hash, teams }) => [hash, teams]));
}

/** How many teams have made something public. */
export async function publicTeams(tx: Tx, at: Date): Promise<number> {
  const [row] = await tx
    .select({ teams: countDistinct(collection.team) })
    .from(listing)
    .innerJoin(collection, eq(collection.id, listing.collection))
    .where(isPublic(at));
  return row?.teams ?? 0;
}
