import { idf } from "../search/weigh";

/** What is shared by an own collection and a public one, as it is looked up. */
export type Met = {
  id: string;
  /** In how many public collections each address is that both have. */
  addresses: readonly number[];
  /** How many addresses the public one has. */
  size: number;
  /** The subjects both have: each with its name, and how many public collections have it. */
  tags: readonly { name: string; df: number }[];
  /** How many subjects the public one has. */
  tagged: number;
  /** What the words both have count together: BM25's weights of the own one's most telling terms, by their rarity squared. */
  words: number;
};

/** The own collection: how many addresses and subjects it has, and what its words would count for itself. */
export type Own = { size: number; tagged: number; words: number };

/** A public collection that resembles an own one, and why. */
export type Near = {
  id: string;
  /** From 0 to about 2.5. */
  score: number;
  /** So many pages stand in both. */
  pages: number;
  /** Subjects both have, the rarest first. */
  tags: string[];
  /** Whether they are written in much the same words. */
  alike: boolean;
};

/** What shared subjects and words say against shared pages. Most words of two texts are others: their share is seldom a half. */
const [OF_TAGS, OF_WORDS] = [0.5, 1];
/** From this share of its own sum on, words are said to be alike; below it, they alone bring nothing near. */
const ALIKE = 0.2;

/**
 * Which public collections resemble an own one, the nearest first. Each of three is a cosine: of the addresses both have and
 * of the subjects both have, each weighted by how rare it is (its idf, in both, so squared), over the root of the two
 * sizes, and of their words. The lengths are those of collections in which all were as rare as can be.
 * (Vector space model: Salton, Wong and Yang, A vector space model for automatic indexing, CACM 18, 1975. The weights of
 * the three are Hobbin's own.)
 * @param indexed how many public collections there are
 */
export function nearest(own: Own, met: readonly Met[], indexed: number): Near[] {
  const most = idf(indexed, 1);
  const share = (dfs: readonly number[], a: number, b: number): number =>
    dfs.length ? dfs.reduce((sum, df) => sum + (idf(indexed, df) / most) ** 2, 0) / Math.sqrt(a * b) : 0;
  return met
    .map(({ id, addresses, size, tags, tagged, words }) => {
      const like = own.words > 0 ? Math.min(1, words / own.words) : 0;
      const byTags = share(
        tags.map((tag) => tag.df),
        own.tagged,
        tagged,
      );
      return {
        ...{ id, pages: addresses.length, alike: like >= ALIKE },
        tags: [...tags].sort((a, b) => a.df - b.df || (a.name < b.name ? -1 : 1)).map((tag) => tag.name),
        score: share(addresses, own.size, size) + OF_TAGS * byTags + OF_WORDS * like,
      };
    })
    .filter((one) => one.pages || one.tags.length || one.alike)
    .sort((a, b) => b.score - a.score || (a.id < b.id ? 1 : -1));
}

/**
 * Which things those that are near have and the own one lacks, those first that stand in more of them and in nearer ones.
 * @param near with what stands in each, by what it is known by
 * @param has whether the own one has it
 */
export function lacking<T extends { key: string }>(
  near: readonly { score: number; items: readonly T[] }[],
  has: ReadonlySet<string>,
): { item: T; score: number; in: number }[] {
  const found = new Map<string, { item: T; score: number; in: number }>();
  for (const { score, items } of near) {
    const here = new Map(items.map((item) => [item.key, item]));
    for (const [key, item] of here) {
      if (has.has(key)) continue;
      const known = found.get(key);
      if (known) {
        known.score += score;
        known.in++;
      } else found.set(key, { item, score, in: 1 });
    }
  }
  return [...found.values()].sort((a, b) => b.score - a.score || b.in - a.in);
}

/** Together in fewer teams than this is a coincidence. */
export const FLOOR = 3;

/**
 * How much more often two things stand together than they would by chance: their lift, P(a and b) / (P(a) · P(b)).
 * (Brin, Motwani, Ullman and Tsur, Dynamic itemset counting and implication rules for market basket data, SIGMOD 1997,
 * where it is called interest.)
 * @param both in how many both stand; below `FLOOR` it says nothing
 * @param all how many there are
 */
export const lift = (both: number, a: number, b: number, all: number): number | null =>
  both < FLOOR || !a || !b ? null : (both * all) / (a * b);
