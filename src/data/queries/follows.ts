import { and, asc, count, desc, eq, gt, inArray, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, follow, listedTag, listing } from "../schema";
import { inParts } from "../sql/by-keys";
import { isTold } from "./listings";

export type FollowRow = typeof follow.$inferSelect;
type Own = { person: string; team: string };

const own = ({ person, team }: Own) => and(eq(follow.person, person), eq(follow.team, team));

/** What a person follows in a team, by its name. */
export const followsOf = (tx: Tx, whose: Own): Promise<FollowRow[]> =>
  tx.select().from(follow).where(own(whose)).orderBy(asc(follow.name), asc(follow.id));

export async function countFollows(tx: Tx, whose: Own): Promise<number> {
  const [row] = await tx.select({ n: count() }).from(follow).where(own(whose));
  return row?.n ?? 0;
}

export const isFollowed = async (tx: Tx, whose: Own, hash: string): Promise<boolean> =>
  (
    await tx
      .select({ id: follow.id })
      .from(follow)
      .where(and(own(whose), eq(follow.hash, hash)))
  ).length > 0;

/** Follows something; what is followed already stays as it is. */
export async function addFollows(tx: Tx, rows: readonly FollowRow[]): Promise<void> {
  await inParts(rows, async (part) => {
    await tx
      .insert(follow)
      .values([...part])
      .onDuplicateKeyUpdate({ set: { seenAt: sql`seen_at` } });
  });
}

export async function dropFollow(tx: Tx, whose: Own, hash: string): Promise<void> {
  await tx.delete(follow).where(and(eq(follow.hash, hash), own(whose)));
}

/** What is gone for good is followed by nobody any more. */
export async function dropFollowsTo(tx: Tx, hash: string): Promise<void> {
  await tx.delete(follow).where(eq(follow.hash, hash));
}

/** Says up to when somebody has looked at what came, in one thing they follow or in all. */
export async function setSeen(tx: Tx, whose: Own, id: string | null, seenAt: Date): Promise<void> {
  await tx
    .update(follow)
    .set({ seenAt })
    .where(and(own(whose), id ? eq(follow.id, id) : undefined));
}

/** Of these public collections, when something came last. */
export async function newestIn(tx: Tx, ids: readonly string[], at: Date): Promise<Map<string, Date>> {
  const found = new Map<string, Date>();
  await inParts(ids, async (part) => {
    const rows = await tx
      .select({ id: listing.collection, newest: listing.newest })
      .from(listing)
      .innerJoin(collection, eq(collection.id, listing.collection))
      .where(and(inArray(listing.collection, [...part]), isTold(at)));
    for (const { id, newest } of rows) if (newest) found.set(id, newest);
  });
  return found;
}

/** A collection that was made public after a moment, of a team or of a subject. */
export type NewlyPublic = { of: string; id: string; since: Date };

/** What these teams have made public since then, that first that came last. */
export async function newlyOfTeams(
  tx: Tx,
  teams: readonly string[],
  since: Date,
  at: Date,
  most: number,
): Promise<NewlyPublic[]> {
  if (!teams.length) return [];
  return tx
    .select({ of: collection.team, id: collection.id, since: listing.since })
    .from(listing)
    .innerJoin(collection, eq(collection.id, listing.collection))
    .where(and(inArray(collection.team, [...teams]), gt(listing.since, since), isTold(at)))
    .orderBy(desc(listing.since))
    .limit(most);
}

/** What has been made public since then of these subjects, by their keys. */
export async function newlyOfSubjects(
  tx: Tx,
  keys: readonly string[],
  since: Date,
  at: Date,
  most: number,
): Promise<NewlyPublic[]> {
  if (!keys.length) return [];
  return tx
    .select({ of: listedTag.key, id: collection.id, since: listing.since })
    .from(listedTag)
    .innerJoin(listing, eq(listing.collection, listedTag.collection))
    .innerJoin(collection, eq(collection.id, listing.collection))
    .where(and(inArray(listedTag.key, [...keys]), gt(listing.since, since), isTold(at)))
    .orderBy(desc(listing.since))
    .limit(most);
}
