import { and, asc, count, desc, eq, gt, inArray, isNull, lt, lte, or, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { feed, feedEntry, follow } from "../schema";
import { inParts } from "../sql/by-keys";

export type FeedRow = typeof feed.$inferSelect;
export type FeedEntryRow = typeof feedEntry.$inferSelect;

/** A feed for the hash of its follows; one that is there stays as it is. */
export async function addFeeds(
  tx: Tx,
  rows: readonly Pick<FeedRow, "id" | "hash" | "address" | "title" | "nextAt">[],
) {
  await inParts(rows, async (part) => {
    await tx
      .insert(feed)
      .values([...part])
      .onDuplicateKeyUpdate({ set: { hash: sql`hash` } });
  });
}

/** Feeds by the hashes of their follows. */
export async function feedsByHash(tx: Tx, hashes: readonly string[]): Promise<Map<string, FeedRow>> {
  const found = new Map<string, FeedRow>();
  await inParts(hashes, async (part) => {
    const rows = await tx
      .select()
      .from(feed)
      .where(inArray(feed.hash, [...part]));
    for (const row of rows) found.set(row.hash, row);
  });
  return found;
}

export async function findFeed(tx: Tx, id: string): Promise<FeedRow | null> {
  return (await tx.select().from(feed).where(eq(feed.id, id)))[0] ?? null;
}

/** The same, held until the end of the transaction. */
export async function lockFeed(tx: Tx, id: string): Promise<FeedRow | null> {
  return (await tx.select().from(feed).where(eq(feed.id, id)).for("update"))[0] ?? null;
}

export async function setFeed(tx: Tx, id: string, set: Partial<FeedRow>): Promise<void> {
  await tx.update(feed).set(set).where(eq(feed.id, id));
}

/** Notes how a feed answered that had nothing new, unless somebody else asked meanwhile. */
export async function setAsked(tx: Tx, { id, nextAt }: FeedRow, set: Partial<FeedRow>): Promise<void> {
  await tx
    .update(feed)
    .set(set)
    .where(and(eq(feed.id, id), eq(feed.nextAt, nextAt)));
}

/** Which feeds are to be asked by now, the longest due first. */
export const dueFeeds = async (tx: Tx, at: Date, most: number): Promise<string[]> =>
  (
    await tx
      .select({ id: feed.id })
      .from(feed)
      .where(lte(feed.nextAt, at))
      .orderBy(asc(feed.nextAt))
      .limit(most)
  ).map(({ id }) => id);

/** Lets go of feeds nobody follows any more. */
export async function dropUnfollowedFeeds(tx: Tx, most: number): Promise<void> {
  const rows = await tx
    .select({ id: feed.id })
    .from(feed)
    .leftJoin(follow, and(eq(follow.hash, feed.hash), eq(follow.kind, "feed")))
    .where(isNull(follow.id))
    .limit(most);
  for (const { id } of rows) await tx.delete(feed).where(eq(feed.id, id));
}

/** Follows of feeds that are not here: what came back out of an archive. */
export const followsWithoutFeed = (tx: Tx, most: number) =>
  tx
    .selectDistinct({ hash: follow.hash, what: follow.what, name: follow.name })
    .from(follow)
    .leftJoin(feed, eq(feed.hash, follow.hash))
    .where(and(eq(follow.kind, "feed"), isNull(feed.id)))
    .limit(most);

/** So many entries of a feed are kept: more than one document of it can hold. */
const KEPT = 500;

/** What is known of the entries of a feed. */
export const entriesOf = (tx: Tx, id: string): Promise<FeedEntryRow[]> =>
  tx
    .select()
    .from(feedEntry)
    .where(eq(feedEntry.feed, id))
    .orderBy(desc(feedEntry.cameAt))
    .limit(2 * KEPT);

/** Adds what came; the oldest go when there are too many. */
export async function addEntries(tx: Tx, id: string, rows: readonly FeedEntryRow[]): Promise<void> {
  await inParts(rows, async (part) => {
    await tx
      .insert(feedEntry)
      .values([...part])
      .onDuplicateKeyUpdate({ set: { hash: sql`hash` } });
  });
  const [last] = await tx
    .select({ at: feedEntry.cameAt })
    .from(feedEntry)
    .where(eq(feedEntry.feed, id))
    .orderBy(desc(feedEntry.cameAt))
    .limit(1)
    .offset(KEPT);
  if (last) await tx.delete(feedEntry).where(and(eq(feedEntry.feed, id), lt(feedEntry.cameAt, last.at)));
}

type Own = { person: string; team: string };
const own = ({ person, team }: Own) =>
  and(eq(follow.person, person), eq(follow.team, team), eq(follow.kind, "feed"));

/** What came in the feeds somebody follows in a team since they looked, that first that came last. */
export const newInFeeds = (tx: Tx, whose: Own, most: number) =>
  tx
    .select({ follow: follow.id, entry: feedEntry })
    .from(follow)
    .innerJoin(feed, eq(feed.hash, follow.hash))
    .innerJoin(feedEntry, and(eq(feedEntry.feed, feed.id), gt(feedEntry.cameAt, follow.seenAt)))
    .where(own(whose))
    .orderBy(desc(feedEntry.cameAt), desc(feedEntry.published), asc(feedEntry.hash))
    .limit(most);

/** What came in all of them since a moment, looked at or not, each address once; that first that came last. */
export async function lastInFeeds(tx: Tx, whose: Own, since: Date, most: number) {
  const rows = await tx
    .select({ entry: feedEntry, feedTitle: feed.title })
    .from(follow)
    .innerJoin(feed, eq(feed.hash, follow.hash))
    .innerJoin(feedEntry, and(eq(feedEntry.feed, feed.id), gt(feedEntry.cameAt, since)))
    .where(own(whose))
    .orderBy(desc(feedEntry.cameAt), asc(feedEntry.hash))
    .limit(most);
  return [...new Map(rows.map((row) => [row.entry.hash, row])).values()];
}

/** How much came in each of them since then. */
export async function countNewInFeeds(tx: Tx, whose: Own): Promise<Map<string, number>> {
  const rows = await tx
    .select({ follow: follow.id, n: count() })
    .from(follow)
    .innerJoin(feed, eq(feed.hash, follow.hash))
    .innerJoin(feedEntry, and(eq(feedEntry.feed, feed.id), gt(feedEntry.cameAt, follow.seenAt)))
    .where(own(whose))
    .groupBy(follow.id);
  return new Map(rows.map(({ follow: id, n }) => [id, n]));
}

/** The follows of a feed by which what comes goes into somebody's Tray. */
export const traysOf = (tx: Tx, hash: string) =>
  tx
    .select({ id: follow.id })
    .from(follow)
    .where(and(eq(follow.hash, hash), eq(follow.kind, "feed"), sql`${follow.trayFrom} IS NOT NULL`));

export const lockFollow = async (tx: Tx, id: string) =>
  (await tx.select().from(follow).where(eq(follow.id, id)).for("update"))[0] ?? null;

/** Of a feed, what came after a moment, the oldest first. */
export const cameAfter = (tx: Tx, id: string, after: Date, most: number): Promise<FeedEntryRow[]> =>
  tx
    .select()
    .from(feedEntry)
    .where(and(eq(feedEntry.feed, id), gt(feedEntry.cameAt, after)))
    .orderBy(desc(feedEntry.cameAt), desc(feedEntry.published))
    .limit(most);

/** From when on what comes in something followed goes into the Tray; null: it does not. */
export async function setTrayFrom(tx: Tx, id: string, trayFrom: Date | null): Promise<void> {
  await tx.update(follow).set({ trayFrom }).where(eq(follow.id, id));
}

/** Feeds that were never read, or failed, are to be asked at once: somebody wants them. */
export async function askSoon(tx: Tx, hashes: readonly string[], at: Date): Promise<void> {
  await inParts(hashes, async (part) => {
    await tx
      .update(feed)
      .set({ nextAt: at })
      .where(and(inArray(feed.hash, [...part]), or(isNull(feed.readAt), gt(feed.failures, 0))));
  });
}
