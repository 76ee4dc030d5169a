import { queryRows } from "../sql/query-rows";
import { and, eq, sql } from "drizzle-orm";
import { groupBy } from "@/core/list/group-by";
import { FULL } from "@/core/search/blocks";
import { differences, writeCounted } from "@/core/search/counted";
import type { Weighed } from "@/core/search/weigh";
import type { Tx } from "../database";
import { reindexQueue, termList, termStat } from "../schema";
import { packInto } from "./blocks";
import { compare, inParts, keysFirst } from "../sql/by-keys";
import { fixed } from "../sql/fixed";
import { addToCounts } from "./kept-counts";
import { byTerm, type Change, dropPending, addPending } from "./pending";
import type { Words } from "./words";

type Queued = { id: string; resource: string };

/** The term that every resource in the index has; its row in term_stat is what a team's index is locked by. */
export const ALL = "";

/** Teams of which something is queued, up to fifty. */
export async function teamsToReindex(tx: Tx): Promise<string[]> {
  const rows = await tx
    .select({ team: reindexQueue.team })
    .from(reindexQueue)
    .groupBy(reindexQueue.team)
    .limit(50);
  return rows.map((row) => row.team);
}

/**
 * Gives a team the row by which its index is locked, outside any transaction.
 * @returns whether it had none
 */
export async function haveIndex(tx: Tx, team: string): Promise<boolean> {
  const rows = await tx.select({ df: termStat.df }).from(termStat).where(rowOfAll(team));
  if (!rows.length)
    await tx
      .insert(termStat)
      .values({ team, term: ALL, df: 0, word: ALL })
      .onDuplicateKeyUpdate({ set: { df: sql`df` } });
  return !rows.length;
}

const LOCK = fixed(sql`SELECT df FROM ${termStat} WHERE term = '' AND team = `);

/**
 * From here on nobody else feeds the index of this team until the transaction ends: everybody meets at the common
 * words, and two who put new words among them would lock each other out. It must come first in its transaction, so that
 * what is read behind it is what the one before has left.
 * @param wait false: when somebody is at it, it is left to them
 * @returns whether it is locked for us
 */
export async function lockIndex(tx: Tx, team: string, wait: boolean): Promise<boolean> {
  const rows = await queryRows<unknown>(
    tx,
    sql`${LOCK}${team} FOR UPDATE${wait ? sql`` : sql` SKIP LOCKED`}`,
  );
  return rows.length > 0;
}

const rowOfAll = (team: string) => and(eq(termStat.team, team), eq(termStat.term, ALL));

const QUEUED = fixed(sql`SELECT id, resource FROM ${reindexQueue} WHERE team = `);

/**
 * What is queued in a team. Read without a lock: whoever holds the index is alone with it, and those who note more must
 * not wait.
 */
export async function readReindexQueue(tx: Tx, team: string, most: number): Promise<Queued[]> {
  const rows = await queryRows<Queued>(tx, sql`${QUEUED}${team} LIMIT ${most}`);
  return rows;
}

const FORGET = fixed(sql`DELETE FROM ${reindexQueue} WHERE id = `);

/** These resources are in the index as they are now. */
export async function dropFromReindexQueue(tx: Tx, ids: readonly string[]): Promise<void> {
  if (ids.length === 1) return void (await tx.execute(sql`${FORGET}${ids[0]}`));
  await tx.execute(
    sql`DELETE d FROM ${keysFirst(ids)} STRAIGHT_JOIN ${reindexQueue} d FORCE INDEX (PRIMARY) ON d.id = CAST(k.k AS UUID)`,
  );
}

/** What changes in the index of one resource: the terms with their weights that it holds, and those it shall hold; counts, too. */
type Feeding = Pick<Words, "resource" | "fed" | "indexed" | "counted" | "now"> & {
  after: readonly Weighed[];
};

/**
 * From so many changes on, in all or of one term, they go into the blocks at once: then most blocks are written for more
 * than one. What is noted beside them is read row by row by every search for the term.
 */
const AT_ONCE = { all: 4_000, ofOne: FULL };

const LIST = fixed(sql`INSERT INTO ${termList} (resource, team, terms, counted) VALUES`);
const COMMA = sql.raw(", ");
const OR_NEW = sql.raw("ON DUPLICATE KEY UPDATE terms = VALUES(terms), counted = VALUES(counted)");

/**
 * Writes what is different into the index of a team.
 * @param atOnce from so many changes on they are packed at once
 */
export async function writeTerms(
  tx: Tx,
  team: string,
  feedings: readonly Feeding[],
  atOnce = AT_ONCE,
): Promise<void> {
  const changes: Change[] = [];
  for (const { resource, fed, indexed, after } of feedings) {
    const kept = new Set<string>();
    for (const { term, weight, word } of after) {
      kept.add(term);
      const was = indexed.get(term);
      if (was !== weight) changes.push({ term, resource, weight, word, indexed: was !== undefined, fed });
    }
    for (const term of indexed.keys())
      if (!kept.has(term)) changes.push({ term, resource, weight: 0, word: term, indexed: true, fed });
    // Every resource has the empty term.
    if (!indexed.size !== !after.length)
      changes.push({ term: ALL, resource, weight: +!!after.length, word: ALL, indexed: !!indexed.size, fed });
  }
  // In the order of their keys, as they lie there.
  changes.sort((a, b) => compare(a.term, b.term) || compare(a.resource, b.resource));
  const all = changes.length >= atOnce.all;
  const lists = [...groupBy(changes, ({ term }) => term).values()];
  const packed = lists.filter((list) => all || list.length >= atOnce.ofOne).flat();
  const noted = lists.filter((list) => !all && list.length < atOnce.ofOne).flat();
  // Each waits for the one before it: had that one lost its transaction, those behind it would be written without one.
  if (packed.length) {
    // What was noted of them before is out of date.
    await dropPending(
      tx,
      team,
      packed.filter((one) => one.fed),
    );
    await packInto(tx, team, byTerm(packed));
  }
  await addPending(tx, team, noted);
  await addToCounts(tx, team, differences(feedings));
  const rows = feedings.map(({ resource, after, now }) => ({
    resource,
    counted: writeCounted(now),
    terms: after.map(({ term, weight }) => `${term} ${weight}`).join("\n"),
  }));
  await inParts(rows, (part) => {
    const values = part.map(
      ({ resource, terms, counted }) => sql`(${resource}, ${team}, ${terms}, ${counted})`,
    );
    return tx.execute(sql`${LIST} ${sql.join(values, COMMA)} ${OR_NEW}`);
  });
}
