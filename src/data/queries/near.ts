import { and, countDistinct, eq, inArray, sql, type SQL } from "drizzle-orm";
import type { MySqlColumn } from "drizzle-orm/mysql-core";
import type { Tx } from "../database";
import { collection, listedAddress, listedTag, listing } from "../schema";
import { listed } from "../sql/by-keys";
import { queryRows } from "../sql/query-rows";
import { isPublic } from "./sharing";

/** What stands in more public collections than this makes none of them near. */
const COMMON = 2_000;

/** A public collection, with what it shares: each key with how many have it. */
export type Shares = ReadonlyMap<string, ReadonlyMap<string, number>>;

type Where = { table: typeof listedAddress | typeof listedTag; key: MySqlColumn };
const ADDRESSES: Where = { table: listedAddress, key: listedAddress.hash };
const TAGS: Where = { table: listedTag, key: listedTag.key };

/**
 * The public collections of other teams that share most of these addresses, the rarer ones counting more: one join over
 * the index of addresses, when it is asked for.
 * @param indexed how many public collections there are
 */
export const sharingAddresses = (
  tx: Tx,
  team: string,
  hashes: readonly string[],
  indexed: number,
  most: number,
) => sharing(tx, ADDRESSES, team, hashes, indexed, most);

/** The same by subjects, by their keys. */
export const sharingTags = (tx: Tx, team: string, keys: readonly string[], indexed: number, most: number) =>
  sharing(tx, TAGS, team, keys, indexed, most);

async function sharing(
  tx: Tx,
  { table, key }: Where,
  team: string,
  keys: readonly string[],
  indexed: number,
  most: number,
): Promise<Shares> {
  if (!keys.length) return new Map();
  const rarity = sql`LN(1 + (GREATEST(0, ${indexed} - r.df) + 0.5) / (r.df + 0.5))`;
  const k = sql.identifier(key.name);
  const best = await queryRows<{ id: string }>(
    tx,
    sql`SELECT a.collection AS id FROM (
        SELECT ${k} AS k, COUNT(*) AS df FROM ${table} WHERE ${k} IN (${listed(keys)}) GROUP BY ${k} HAVING df <= ${COMMON}
      ) r JOIN ${table} a ON a.${k} = r.k WHERE a.team <> ${team}
      GROUP BY a.collection ORDER BY SUM(${rarity}) DESC, a.collection DESC LIMIT ${most}`,
  );
  if (!best.length) return new Map();
  return sharesOf(
    tx,
    { table, key },
    best.map((one) => one.id),
    keys,
  );
}

/** Which of these addresses and subjects each of these public collections has. */
export async function sharedBy(
  tx: Tx,
  ids: readonly string[],
  { hashes, keys }: { hashes: readonly string[]; keys: readonly string[] },
): Promise<{ addresses: Shares; tags: Shares }> {
  return {
    addresses: await sharesOf(tx, ADDRESSES, ids, hashes),
    tags: await sharesOf(tx, TAGS, ids, keys),
  };
}

async function sharesOf(
  tx: Tx,
  { table, key }: Where,
  ids: readonly string[],
  keys: readonly string[],
): Promise<Shares> {
  const shares = new Map<string, Map<string, number>>();
  if (!ids.length || !keys.length) return shares;
  const k = sql.identifier(key.name);
  const rows = await queryRows<{ id: string; k: string; df: number | string }>(
    tx,
    sql`SELECT s.collection AS id, s.k AS k, (SELECT COUNT(*) FROM ${table} d WHERE d.${k} = s.k) AS df FROM (
      SELECT collection, ${k} AS k FROM ${table} WHERE collection IN (${listed(ids)}) AND ${k} IN (${listed(keys)})
    ) s`,
  );
  for (const { id, k: shared, df } of rows)
    shares.set(id, (shares.get(id) ?? new Map<string, number>()).set(shared, Number(df)));
  return shares;
}

/** How many addresses and subjects these public collections have. */
export async function listedSizes(
  tx: Tx,
  ids: readonly string[],
): Promise<Map<string, { addresses: number; tagged: number }>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select({ id: listing.collection, addresses: listing.addresses, tagged: listing.tagged })
    .from(listing)
    .where(inArray(listing.collection, [...ids]));
  return new Map(rows.map(({ id, ...sizes }) => [id, sizes]));
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
