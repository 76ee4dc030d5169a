import {
  and,
  desc,
  eq,
  gt,
  gte,
  inArray,
  isNotNull,
  isNull,
  lt,
  lte,
  max,
  min,
  ne,
  or,
  sql,
  type SQL,
} from "drizzle-orm";
import type { Use } from "@/core/publish/model";
import type { Listing } from "@/core/shelves/listing";
import type { Taken } from "@/core/shelves/often";
import { PUBLIC } from "@/core/shelves/public";
import type { Tx } from "../database";
import {
  collection,
  credit,
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

/** Those of these that are public at this moment, each once. */
export async function listedById(tx: Tx, ids: readonly string[], at: Date): Promise<Map<string, ListedRow>> {
  if (!ids.length) return new Map();
  const rows = await publicOnes(tx).where(and(inArray(listing.collection, [...ids]), isPublic(at)));
  return new Map(rows.map((row) => [row.id, asListed(row)]));
}

/** Which public collections stand together: those that are all of this. */
export type Shelf = {
  use?: Use;
  language?: string;
  /** At most so long, and at most so hard to read. */
  minutes?: number;
  level?: number;
  /** The key of a subject. */
  key?: string;
};

/** What changed a moment ago stands on no shelf until it is known anew: where it stood would tell how it was. */
function standsOn({ use, language, minutes, level, key }: Shelf): SQL | undefined {
  const wishes = [
    use && eq(listing.use, use),
    language && eq(listing.language, language),
    minutes && and(gt(listing.minutes, 0), lte(listing.minutes, minutes)),
    level && and(isNotNull(listing.level), lte(listing.level, level)),
    key &&
      sql`${listing.collection} IN (SELECT ${listedTag.collection} FROM ${listedTag} WHERE ${listedTag.key} = ${key})`,
  ].filter((wish) => typeof wish === "object");
  return wishes.length ? and(eq(listing.noted, listing.taken), ...wishes) : undefined;
}

/** Those of these that stand on a shelf. */
export async function onShelf(tx: Tx, ids: readonly string[], shelf: Shelf): Promise<Set<string>> {
  const wish = standsOn(shelf);
  if (!wish || !ids.length) return new Set(ids);
  const rows = await tx
    .select({ id: listing.collection })
    .from(listing)
    .where(and(inArray(listing.collection, [...ids]), wish));
  return new Set(rows.map((row) => row.id));
}

/** Subjects with more teams than this in what is public are a shelf. */
const SHARED = 2;

/** The subjects of which most public collections are, as far as they may be told: each was seen there, maybe a while ago. */
export async function likelySubjects(tx: Tx, most: number): Promise<string[]> {
  const rows = await queryRows<{ key: string }>(
    tx,
    sql`SELECT \`key\`, COUNT(DISTINCT team) AS teams FROM ${listedTag} GROUP BY \`key\`
      HAVING teams >= ${SHARED} ORDER BY teams DESC, COUNT(*) DESC, \`key\` LIMIT ${most}`,
  );
  return rows.map((row) => row.key);
}

/** Those of these subjects that are of public collections of several teams at this moment, by a name they have there. */
export async function sharedSubjects(tx: Tx, keys: readonly string[], at: Date): Promise<string[]> {
  const found = await Promise.all(
    keys.map((key) =>
      tx
        .select({ team: listedTag.team, name: min(listedTag.name) })
        .from(listedTag)
        .innerJoin(listing, eq(listing.collection, listedTag.collection))
        .innerJoin(collection, eq(collection.id, listedTag.collection))
        .where(and(eq(listedTag.key, key), eq(listing.noted, listing.taken), isPublic(at)))
        .groupBy(listedTag.team)
        .limit(SHARED),
    ),
  );
  return found.flatMap((rows) => (rows.length < SHARED ? [] : (rows[0]!.name ?? [])));
}

/** What there is among what is public: uses and languages. */
export async function listedKinds(tx: Tx, at: Date): Promise<{ uses: Use[]; languages: string[] }> {
  const rows = await tx
    .selectDistinct({ use: listing.use, language: listing.language })
    .from(listing)
    .innerJoin(collection, eq(collection.id, listing.collection))
    .where(and(isPublic(at), isNotNull(listing.content)));
  return {
    uses: [...new Set(rows.flatMap((row) => row.use ?? []))].sort(),
    languages: [...new Set(rows.map((row) => row.language))].filter(Boolean).sort(),
  };
}

/** Which teams took from which collections of others since then, each with when it last did. */
export async function takenSince(tx: Tx, since: Date): Promise<Taken[]> {
  const rows = await tx
    .select({ lender: credit.lender, team: credit.team, at: max(credit.takenAt) })
    .from(credit)
    .innerJoin(collection, and(eq(collection.id, credit.lender), ne(collection.team, credit.team)))
    .where(gte(credit.takenAt, since))
    .groupBy(credit.lender, credit.team);
  return rows.flatMap(({ at, ...row }) => (at ? [{ ...row, at }] : []));
}

/** So many are looked at at a time: those that are public no more are passed over. */
const STEP = 40;
/** At most so often for a page. */
const STEPS = 50;

/**
 * Those that were made public last, that first. By the index of their days, so that it takes as long among many as among
 * few; together with what decides whether they are public, the database would read all of them first.
 * @param after the last one of the page before
 * @param shelf only those that stand there
 */
export async function newlyListed(
  tx: Tx,
  at: Date,
  after: { since: Date; id: string } | null,
  most: number,
  shelf: Shelf = {},
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
          standsOn(shelf),
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
