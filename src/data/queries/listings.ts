import { and, desc, eq, inArray, isNotNull, isNull, lt, lte, or, sql } from "drizzle-orm";
import type { Listing } from "@/core/shelves/listing";
import { PUBLIC } from "@/core/shelves/public";
import type { Tx } from "../database";
import { collection, listing, reindexQueue, shareLink, team, termList } from "../schema";
import { inParts, listed } from "../sql/by-keys";
import { queryRows } from "../sql/query-rows";
import { isPublic } from "./sharing";

/** A path up the tree ends somewhere, whatever the rows say. */
const DEEPEST = 20;

/**
 * Notes, in the transaction that changes these collections, that what is known of them is old, and of public ones they
 * stand in; and that it is to be read. From then on nobody is shown it as it was.
 */
export async function noteListings(tx: Tx, ids: readonly string[], at: Date): Promise<void> {
  if (!ids.length) return;
  const rows = await queryRows<{ id: string }>(
    tx,
    sql`WITH RECURSIVE up (id, parent, step) AS (
      SELECT id, parent, 0 FROM ${collection} WHERE id IN (${listed(ids)})
      UNION ALL
      SELECT o.id, o.parent, step + 1 FROM up JOIN ${collection} o ON o.id = up.parent WHERE step < ${DEEPEST}
    ) SELECT DISTINCT c.id FROM up JOIN ${collection} c ON c.id = up.id LEFT JOIN ${listing} l ON l.collection = c.id
      WHERE c.audience = 'public' OR l.collection IS NOT NULL ORDER BY c.id`,
  );
  if (!rows.length) return;
  await tx
    .insert(listing)
    .values(rows.map(({ id }) => ({ collection: id, since: at, noted: 1, taken: 0, content: null })))
    .onDuplicateKeyUpdate({ set: { noted: sql`noted + 1` } });
  await queueListings(
    tx,
    rows.map(({ id }) => id),
  );
}

/** Notes that the index of words is to be fed with these anew. */
const queueListings = (tx: Tx, ids: readonly string[]) =>
  tx.insert(reindexQueue).values(ids.map((id) => ({ id: sql`UUID()`, resource: id, team: PUBLIC })));

/** Notes that the words of a team's collections are to leave the index of what is public: it is about to be erased. */
export async function dropListingsOf(tx: Tx, teamId: string): Promise<void> {
  await tx.execute(
    sql`INSERT INTO ${reindexQueue} (id, resource, team) SELECT UUID(), l.resource, ${PUBLIC}
      FROM ${collection} c JOIN ${termList} l ON l.resource = c.id WHERE c.team = ${teamId} AND l.team = ${PUBLIC}`,
  );
}

/**
 * Notes the same of those that closed by themselves: their last day came, and nothing changed that would have noted it.
 * Nobody is shown them meanwhile.
 */
export async function dropClosedListings(tx: Tx, at: Date): Promise<void> {
  const rows = await tx
    .select({ id: listing.collection })
    .from(listing)
    .innerJoin(collection, eq(collection.id, listing.collection))
    .where(and(isNotNull(listing.content), lte(collection.sharedUntil, at)));
  await inParts(rows, (part) =>
    queueListings(
      tx,
      part.map(({ id }) => id),
    ),
  );
}

/** The code of a collection that is public now, and how often it was noted that it changed; null when it is not public. */
export async function publicNow(
  tx: Tx,
  id: string,
  at: Date,
): Promise<{ code: string; noted: number } | null> {
  const rows = await tx
    .select({ code: shareLink.code, noted: listing.noted })
    .from(listing)
    .innerJoin(collection, eq(collection.id, listing.collection))
    .innerJoin(shareLink, and(eq(shareLink.collection, collection.id), isNull(shareLink.revokedAt)))
    .where(and(eq(listing.collection, id), isPublic(at)))
    .orderBy(desc(shareLink.createdAt))
    .limit(1);
  return rows[0] ?? null;
}

/** Writes down what is known of a collection. @param noted as which count it was read */
export async function writeListing(
  tx: Tx,
  id: string,
  { content, noted }: { content: Listing | null; noted: number | null },
): Promise<void> {
  await tx
    .update(listing)
    .set({ content, ...(noted !== null && { taken: noted }) })
    .where(eq(listing.collection, id));
}

/** A collection that is public at this moment, with what is known of it. */
export type ListedRow = {
  id: string;
  team: string;
  teamName: string;
  code: string;
  since: Date;
  /** Null: what is known is old. */
  content: Listing | null;
};

const publicOnes = (tx: Tx) =>
  tx
    .select({
      ...{ id: collection.id, team: collection.team, teamName: team.name, code: shareLink.code },
      since: listing.since,
      ...{ content: listing.content, noted: listing.noted, taken: listing.taken },
    })
    .from(listing)
    .innerJoin(collection, eq(collection.id, listing.collection))
    .innerJoin(team, eq(team.id, collection.team))
    .innerJoin(shareLink, and(eq(shareLink.collection, collection.id), isNull(shareLink.revokedAt)))
    .$dynamic();

type Found = Awaited<ReturnType<typeof publicOnes>>[number];
const asListed = ({ noted, taken, content, ...row }: Found): ListedRow => ({
  ...row,
  content: noted === taken ? content : null,
});

/** Those of these that are public at this moment, each once. */
export async function listedById(tx: Tx, ids: readonly string[], at: Date): Promise<Map<string, ListedRow>> {
  if (!ids.length) return new Map();
  const rows = await publicOnes(tx).where(and(inArray(listing.collection, [...ids]), isPublic(at)));
  return new Map(rows.map((row) => [row.id, asListed(row)]));
}

/** So many are looked at at a time: those that are public no more are passed over. */
const STEP = 40;
/** At most so often for a page. */
const STEPS = 50;

/**
 * Those that were made public last, that first. By the index of their days, so that it takes as long among many as among
 * few; together with what decides whether they are public, the database would read all of them first.
 * @param after the last one of the page before
 */
export async function newlyListed(
  tx: Tx,
  at: Date,
  after: { since: Date; id: string } | null,
  most: number,
): Promise<ListedRow[]> {
  const found: ListedRow[] = [];
  let last = after;
  for (let step = 0; step < STEPS && found.length < most; step++) {
    const some: { since: Date; id: string }[] = await tx
      .select({ id: listing.collection, since: listing.since })
      .from(listing)
      .where(
        and(
          isNotNull(listing.content),
          last ? lte(listing.since, last.since) : undefined,
          last ? or(lt(listing.since, last.since), lt(listing.collection, last.id)) : undefined,
        ),
      )
      .orderBy(desc(listing.since), desc(listing.collection))
      .limit(STEP);
    const open = await listedById(
      tx,
      some.map((one) => one.id),
      at,
    );
    found.push(...some.flatMap((one) => open.get(one.id) ?? []));
    if (some.length < STEP) break;
    last = some.at(-1)!;
  }
  return found.slice(0, most);
}

/** The languages public collections are written in. */
export async function listedLanguages(tx: Tx): Promise<string[]> {
  const rows = await tx
    .selectDistinct({ language: collection.language })
    .from(listing)
    .innerJoin(collection, eq(collection.id, listing.collection));
  return rows.map((row) => row.language).filter(Boolean);
}
