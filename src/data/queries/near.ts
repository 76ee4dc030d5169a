import { and, countDistinct, eq, inArray, sql, type SQL } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, listedAddress, listing } from "../schema";
import { listed } from "../sql/by-keys";
import { queryRows } from "../sql/query-rows";
import { isPublic } from "./sharing";

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
