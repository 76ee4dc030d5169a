import { Postings } from "@/core/search/postings";
import type { Query } from "@/core/search/query";
import { rank, type Ranking, rarity } from "@/core/search/rank";
import type { Tx } from "@/data/database";
import { readPostings } from "@/data/search/postings";
import type { Looked } from "@/data/search/terms";

/**
 * All in which the words of a query stand, by the lists of their terms; without looking at the filters.
 * @param own the words of what one person marked for themselves, which stand in an index of theirs alone
 */
export async function ranked(
  tx: Tx,
  team: string,
  { without }: Pick<Query, "without">,
  {
    sought,
    lists: known,
    indexed,
  }: Pick<Looked, "sought" | "indexed"> & { lists: ReadonlyMap<string, Postings> },
  own: ReadonlyMap<string, Postings> = new Map(),
): Promise<Ranking> {
  const words = sought.map((one) => one.terms.map(({ term }) => term));
  if (words.some((terms) => !terms.length)) return rank([], new Map(), () => 0);
  // Those that only begin like the last word were not known before.
  const others = words.flat().filter((term) => !known.has(term));
  const lists = new Map([...known, ...(await readPostings(tx, team, others))]);
  for (const [term, postings] of own) lists.set(term, postings.with(lists.get(term) ?? Postings.NONE));
  const left = without.flat().flatMap((term) => lists.get(term) ?? []);
  return rank(words, lists, (_, postings) => rarity(indexed, postings.length), left);
}
