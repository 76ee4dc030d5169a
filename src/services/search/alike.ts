import type { Postings } from "@/core/search/postings";
import { rank, type Ranking } from "@/core/search/rank";
import { idf, type Searchable, type Weighed } from "@/core/search/weigh";
import type { Tx } from "@/data/database";
import { readPostings } from "@/data/search/postings";
import { ALL } from "@/data/search/index-writes";
import { dfOf } from "@/data/search/terms";
import { wordsOf } from "@/data/search/words";
import { weighInThread } from "@/outside/threads/in-thread";

/** Neighbours are looked for by so many of the text's terms, none of them in more resources than this. */
const BY_TERMS = 8;
const TOO_COMMON = 2_000;
const NEIGHBOURS = 20;

type Alike = {
  /** The terms of the words, with their weights. */
  terms: Weighed[];
  /** What is in the index, by the sum of the telling terms: BM25's weights, by how rare each is, squared. */
  ranking: Ranking;
  /** What the words count so themselves. */
  own: number;
  /** Of what else was asked for, the lists. */
  lists: ReadonlyMap<string, Postings>;
  /** How many resources are in the index. */
  indexed: number;
};

/**
 * How much a term counts that stands in both: its idf squared, as in the cosine of two texts whose words are weighted by it, as
 * a whole number. By the idf alone a few common words together told more than a rare one (tests/reference/near.test.ts).
 */
export const rarityOfBoth = (indexed: number, df: number): number => Math.round(idf(indexed, df) ** 2 * 10);

/** What is looked for in an index by words, and along with them. */
type Looked = { most: number; least: number; keys?: readonly string[]; without?: readonly Postings[] };

/**
 * What of an index is written in the words that tell most of some.
 * @param most how many terms are looked for
 * @param least in how many a term must be: what is in the index itself is in each of its own
 * @param keys terms that are no words, whose lists are read along; of those in very many there is none
 * @param without what is left out
 */
export async function alikeTo(
  tx: Tx,
  team: string,
  words: Searchable,
  { most, least, keys = [], without = [] }: Looked,
): Promise<Alike> {
  const [terms] = await weighInThread([words]);
  const heavy = terms!.slice(0, 5 * most);
  const df = await dfOf(tx, team, [ALL, ...heavy.map((one) => one.term), ...keys]);
  const indexed = df.get(ALL) ?? 0;
  const isTelling = (term: string, few: number) => (df.get(term) ?? 0) >= few && df.get(term)! <= TOO_COMMON;
  const telling = heavy
    .filter(({ term }) => isTelling(term, least))
    .map(({ term, weight }) => ({
      ...{ term, weight, factor: rarityOfBoth(indexed, df.get(term)!) },
      by: weight * idf(indexed, df.get(term)!),
    }))
    .sort((a, b) => b.by - a.by)
    .slice(0, most);
  const lists = await readPostings(tx, team, [
    ...telling.map((one) => one.term),
    ...keys.filter((key) => isTelling(key, 1)),
  ]);
  const factors = new Map(telling.map(({ term, factor }) => [term, factor]));
  return {
    terms: terms!,
    ranking: rank([[...factors.keys()]], lists, (term) => factors.get(term)!, without),
    lists,
    indexed,
    own: telling.reduce((sum, { weight, factor }) => sum + weight * factor, 0),
  };
}

/**
 * Resources of a team in which the words stand that tell most of one, the likest first; with its words and their weights, and
 * what it would count itself.
 * Null for one that is gone.
 */
export async function alikeOf(tx: Tx, team: string, resource: string) {
  const [found] = await wordsOf(tx, [resource]);
  if (!found?.words) return null;
  // That something is marked makes it like nothing else.
  const words = { ...found.words, keys: [] };
  const { terms, ranking, own } = await alikeTo(tx, team, words, { most: BY_TERMS, least: 2 });
  const alike = ranking
    .hits("best", 0, NEIGHBOURS + 1)
    .filter((one) => one.id !== resource)
    .slice(0, NEIGHBOURS);
  return { words, terms, alike, own };
}
