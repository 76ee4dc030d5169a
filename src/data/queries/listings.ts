import { and, desc, eq, inArray, isNotNull, isNull, lte, sql } from "drizzle-orm";
import type { Listing } from "@/core/shelves/listing";
import { PUBLIC } from "@/core/shelves/public";
import type { Tx } from "../database";
import {
  collection,
  listedAddress,
  listedTag,
  listing,
  reindexQueue,
  shareLink,
  team,
  termList,
} from "../schema";
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
): Promise<{ code: string; noted: number; team: string } | null> {
  const rows = await tx
    .select({ code: shareLink.code, noted: listing.noted, team: collection.team })
    .from(listing)
    .innerJoin(collection, eq(collection.id, listing.collection))
    .innerJoin(shareLink, and(eq(shareLink.collection, collection.id), isNull(shareLink.revokedAt)))
    .where(and(eq(listing.collection, id), isPublic(at)))
    .orderBy(desc(shareLink.createdAt))
    .limit(1);
  return rows[0] ?? null;
}

/** What is known of a public collection, and what others are told by that are near to it or stand on one shelf with it. */
export type Known = {
  content: Listing;
  /** As which count it was read. */
  noted: number;
  team: string;
  /** Of all addresses in it, each once. */
  hashes: readonly string[];
  /** Its subjects, by their keys. */
  tags: ReadonlyMap<string, string>;
  level: number | null;
};

const newestOf = ({ items }: Listing): Date | null => {
  const last = items.reduce((max, { addedAt }) => (addedAt > max ? addedAt : max), "");
  return last ? new Date(last) : null;
};

/** Writes down what is known of a collection; null: it is not public. */
export async function writeListing(tx: Tx, id: string, known: Known | null): Promise<void> {
  const facts = known && {
    ...{ content: known.content, taken: known.noted, use: known.content.use, level: known.level },
    language: known.content.language.slice(0, 2).toLowerCase(),
    newest: newestOf(known.content),
    ...{ minutes: known.content.minutes, addresses: known.hashes.length, tagged: known.tags.size },
  };
  // Whoever reads it at the same time waits here, so that what follows is of one reading.
  await tx
    .update(listing)
    .set(facts ?? { content: null })
    .where(eq(listing.collection, id));
  const own = { collection: id, team: known?.team ?? "" };
  const hashes = new Set(known?.hashes);
  const before = await tx
    .select({ hash: listedAddress.hash })
    .from(listedAddress)
    .where(eq(listedAddress.collection, id));
  const gone = before.map((one) => one.hash).filter((hash) => !hashes.delete(hash));
  await inParts(gone, (part) =>
    tx
      .delete(listedAddress)
      .where(and(eq(listedAddress.collection, id), inArray(listedAddress.hash, [...part]))),
  );
  await inParts([...hashes], (part) =>
    tx.insert(listedAddress).values(part.map((hash) => ({ hash, ...own }))),
  );
  await tx.delete(listedTag).where(eq(listedTag.collection, id));
  const tags = [...(known?.tags ?? [])].map(([key, name]) => ({ key, name, ...own }));
  if (tags.length) await tx.insert(listedTag).values(tags);
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

/** The codes at which those of these are read that are public at this moment. */
export async function openCodes(tx: Tx, ids: readonly string[], at: Date): Promise<Map<string, string>> {
  const codes = new Map<string, string>();
  await inParts(ids, async (part) => {
    const rows = await tx
      .select({ id: collection.id, code: shareLink.code })
      .from(collection)
      .innerJoin(shareLink, and(eq(shareLink.collection, collection.id), isNull(shareLink.revokedAt)))
      .where(and(inArray(collection.id, [...part]), isPublic(at)));
    for (const { id, code } of rows) codes.set(id, code);
  });
  return codes;
}

/** So many collections a team's page lists. */
const OF_TEAM = 500;

/** What a team has made public, the newest first. */
export async function listedOfTeam(tx: Tx, id: string, at: Date): Promise<ListedRow[]> {
  const rows = await publicOnes(tx)
    .where(and(eq(collection.team, id), isPublic(at)))
    .orderBy(desc(listing.since), desc(listing.collection))
    .limit(OF_TEAM);
  return rows.map(asListed);
}

/** What a team that has made something public is called; null: it has nothing public, and nothing is told of it. */
export async function publicTeamName(tx: Tx, id: string, at: Date): Promise<string | null> {
  const rows = await tx
    .select({ name: team.name })
    .from(collection)
    .innerJoin(team, eq(team.id, collection.team))
    .where(and(eq(collection.team, id), isPublic(at)))
    .limit(1);
  return rows[0]?.name ?? null;
}

/** What changed a moment ago tells nothing until it is known anew: what is still written down would tell how it was. */
export const isTold = (at: Date) =>
  and(isPublic(at), isNotNull(listing.content), eq(listing.noted, listing.taken));

/** Those of these that are public at this moment and known as they are: whose they are, and how large. */
export async function toldAmong(tx: Tx, ids: readonly string[], at: Date) {
  const found = new Map<string, { team: string; addresses: number; tagged: number }>();
  await inParts(ids, async (part) => {
    const rows = await tx
      .select({
        ...{ id: collection.id, team: collection.team },
        ...{ addresses: listing.addresses, tagged: listing.tagged },
      })
      .from(listing)
      .innerJoin(collection, eq(collection.id, listing.collection))
      .where(and(inArray(listing.collection, [...part]), isTold(at)));
    for (const { id, ...row } of rows) found.set(id, row);
  });
  return found;
}

/** So many of a team's own are left out where others' are looked for. */
const OWN = 5_000;

/** What a team has, or had, public. */
export async function listedIdsOf(tx: Tx, id: string): Promise<string[]> {
  const rows = await tx
    .select({ id: listing.collection })
    .from(collection)
    .innerJoin(listing, eq(listing.collection, collection.id))
    .where(eq(collection.team, id))
    .limit(OWN);
  return rows.map((row) => row.id);
}

/** Those of these that are public at this moment, each once. */
export async function listedById(tx: Tx, ids: readonly string[], at: Date): Promise<Map<string, ListedRow>> {
  if (!ids.length) return new Map();
  const rows = await publicOnes(tx).where(and(inArray(listing.collection, [...ids]), isPublic(at)));
  return new Map(rows.map((row) => [row.id, asListed(row)]));
}

/** The languages public collections are written in. */
export async function listedLanguages(tx: Tx): Promise<string[]> {
  const rows = await tx
    .selectDistinct({ language: collection.language })
    .from(listing)
    .innerJoin(collection, eq(collection.id, listing.collection));
  return rows.map((row) => row.language).filter(Boolean);
}
