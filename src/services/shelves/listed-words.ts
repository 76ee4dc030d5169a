import { type Searchable, wholeTerm } from "@/core/search/weigh";
import { type Listing, listingOf, searchableOf } from "@/core/shelves/listing";
import { tagKey } from "@/core/tags/tag-name";
import type { Tx } from "@/data/database";
import { publicNow, writeListing } from "@/data/queries/listings";
import { lixOfPlacements } from "@/data/queries/texts-and-files";
import { indexedListings, type Words } from "@/data/search/words";
import { transact } from "@/data/transaction";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { addressHash, identityHash } from "@/outside/hash";
import { allBehind } from "../reader/behind";

/** What is known of a public collection as its readers are shown it now; null when they are shown nothing. */
export async function listingNow(code: string): Promise<Listing | null> {
  const [first, ...inside] = (await allBehind({ code }, now())) ?? [];
  return first ? listingOf([first.collection, ...inside.map((one) => one.collection)]) : null;
}

/**
 * The words of public collections for the index, as their readers are shown them now; of what is not public, none. What
 * is known of each is written down with it, each by itself: whoever changes one waits for none of the others.
 */
export async function listedWords(tx: Tx, ids: readonly string[]): Promise<Words[]> {
  const indexed = await indexedListings(tx, ids);
  const all: Words[] = [];
  for (const id of ids) {
    // How often it was noted is read before what it is noted of: what changes meanwhile makes this one old.
    const open = await publicNow(database(), id, now());
    const content = open && (await listingNow(open.code));
    const level = content && (await levelOf(content));
    await transact(database(), (own) =>
      writeListing(
        own,
        id,
        content && open && { ...open, content, level, hashes: hashesOf(content), tags: keyed(content.tags) },
      ),
    );
    all.push({
      ...{ resource: id, fed: indexed.has(id), indexed: indexed.get(id) ?? new Map() },
      ...{ counted: new Map(), now: new Map(), words: content && foundBy(content) },
    });
  }
  return all;
}

/** By which each address of a collection is found in others, each once. */
export const hashesOf = ({ items }: Listing): string[] => [
  ...new Set(items.flatMap(({ address }) => (address ? [addressHash(address)] : []))),
];

/** What a public collection is found by: its words, and for those that are near to it, its pages and its subjects. */
export const foundBy = (content: Listing): Searchable => ({
  ...searchableOf(content),
  keys: [...hashesOf(content).map(pageTerm), ...[...keyed(content.tags).keys()].map(subjectTerm)],
});

/** So much of a hash is enough to tell all apart (216 bits), and short enough for a term. */
const OF_HASH = 36;

/** A page as a term of the index. @param hash of its address */
export const pageTerm = (hash: string): string => wholeTerm(`p${hash.slice(0, OF_HASH)}`);

/** A subject as a term of the index: its key may be longer than a term. */
export const subjectTerm = (key: string): string => wholeTerm(`s${identityHash(key).slice(0, OF_HASH)}`);

/** Subjects by their keys. */
export const keyed = (tags: readonly string[]): Map<string, string> =>
  new Map(tags.map((tag) => [tagKey(tag), tag]));

/** The middle one of its texts; null: of none is known how hard it is to read. */
async function levelOf({ items }: Listing): Promise<number | null> {
  const known = await lixOfPlacements(
    database(),
    items.flatMap(({ id }) => id ?? []),
  );
  return known.sort((a, b) => a - b)[Math.floor(known.length / 2)] ?? null;
}
