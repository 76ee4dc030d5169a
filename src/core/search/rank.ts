import { compareIds, copyId, idAt, WORDS } from "./ids";
import type { Postings } from "./postings";
import { idf } from "./weigh";

export type Hit = { id: string; score: number };
export type Order = "best" | "newest";

/** idf is multiplied by this and rounded, so that scores are whole numbers that can be paged by. */
const FINE = 100;

/**
 * How much a term counts that is in `df` of `indexed` resources: its idf as a whole number.
 * @param indexed how many resources the index holds
 * @param df in how many of them the term stands
 */
export const rarity = (indexed: number, df: number): number =>
  Math.max(1, Math.round(idf(indexed, df) * FINE));

/** Resources, sorted by id, each with what it counts. */
type Scored = { ids: Uint32Array; scores: Float64Array };

/**
 * The resources in which all words stand, each with the sum of factor times weight over the terms found in it (BM25F,
 * when the factor is the idf). Cost: each posting is looked at a few times.
 * @param words by which terms each word is found; one of them is enough. A term of two words counts once
 * @param lists the postings of the terms; a term without one is in no resource
 * @param factors how much each term counts, a whole number
 * @param without resources that are left out
 */
export function rank(
  words: readonly (readonly string[])[],
  lists: ReadonlyMap<string, Postings>,
  factors: (term: string, postings: Postings) => number,
  without: readonly Postings[] = [],
): Ranking {
  const counted = new Set<string>();
  const found = words.map((terms) =>
    union(
      [...new Set(terms)].flatMap((term) => {
        const postings = lists.get(term);
        if (!postings) return [];
        const factor = counted.has(term) ? 0 : factors(term, postings);
        counted.add(term);
        return [scored(postings, factor)];
      }),
    ),
  );
  found.sort((a, b) => a.scores.length - b.scores.length);
  const all = found.length ? found.reduce((some, more) => intersect(some, more)) : EMPTY;
  return new Ranking(without.reduce((some, postings) => leaveOut(some, postings), all));
}

const EMPTY: Scored = { ids: new Uint32Array(0), scores: new Float64Array(0) };

function scored({ ids, weights }: Postings, factor: number): Scored {
  const scores = new Float64Array(weights.length);
  for (let i = 0; i < scores.length; i++) scores[i] = weights[i]! * factor;
  return { ids, scores };
}

/**
 * What is in any of the lists. The two shortest are put together first, so that long ones are gone through once; forty
 * lists take two thirds of the time of a heap of them.
 */
function union(lists: Scored[]): Scored {
  const byLength = (a: Scored, b: Scored) => a.scores.length - b.scores.length;
  lists.sort(byLength);
  while (lists.length > 1) {
    const [a, b] = lists.splice(0, 2);
    const made = both(a!, b!);
    const at = lists.findIndex((one) => one.scores.length > made.scores.length);
    lists.splice(at < 0 ? lists.length : at, 0, made);
  }
  return lists[0] ?? EMPTY;
}

function both(a: Scored, b: Scored): Scored {
  const la = a.scores.length;
  const lb = b.scores.length;
  const { ids, scores } = room(la + lb);
  let i = 0;
  let j = 0;
  let n = 0;
  while (i < la && j < lb) {
    const order = compareIds(a.ids, i, b.ids, j);
    if (order > 0) {
      copyId(ids, n, b.ids, j);
      scores[n++] = b.scores[j++]!;
    } else {
      copyId(ids, n, a.ids, i);
      scores[n++] = a.scores[i++]! + (order === 0 ? b.scores[j++]! : 0);
    }
  }
  const [rest, from] = i < la ? [a, i] : [b, j];
  ids.set(rest.ids.subarray(from * WORDS), n * WORDS);
  scores.set(rest.scores.subarray(from), n);
  return cut({ ids, scores }, n + rest.scores.length - from);
}

/** What is in both. A few are looked for in many by halving, from where the one before was. */
function intersect(few: Scored, many: Scored): Scored {
  const [la, lb] = [few.scores.length, many.scores.length];
  const made = room(la);
  const halve = la * 16 < lb;
  let [j, n] = [0, 0];
  for (let i = 0; i < la && j < lb; i++) {
    if (halve) {
      let high = lb;
      while (j < high) {
        const middle = (j + high) >> 1;
        if (compareIds(many.ids, middle, few.ids, i) < 0) j = middle + 1;
        else high = middle;
      }
    } else while (j < lb && compareIds(many.ids, j, few.ids, i) < 0) j++;
    if (j === lb || compareIds(many.ids, j, few.ids, i) !== 0) continue;
    copyId(made.ids, n, few.ids, i);
    made.scores[n++] = few.scores[i]! + many.scores[j]!;
  }
  return cut(made, n);
}

function leaveOut(some: Scored, { ids, length }: Postings): Scored {
  const made = room(some.scores.length);
  let [j, n] = [0, 0];
  for (let i = 0; i < some.scores.length; i++) {
    while (j < length && compareIds(ids, j, some.ids, i) < 0) j++;
    if (j < length && compareIds(ids, j, some.ids, i) === 0) continue;
    copyId(made.ids, n, some.ids, i);
    made.scores[n++] = some.scores[i]!;
  }
  return cut(made, n);
}

const room = (n: number): Scored => ({ ids: new Uint32Array(n * WORDS), scores: new Float64Array(n) });
const cut = ({ ids, scores }: Scored, n: number): Scored => ({
  ids: ids.subarray(0, n * WORDS),
  scores: scores.subarray(0, n),
});

/** What was found, best first (of equally good ones the newer first) or newest first. */
export class Ranking {
  private best: Float64Array | null = null;

  constructor(private readonly found: Scored) {}

  get length(): number {
    return this.found.scores.length;
  }

  /** The hit at a place of the order, from 0. */
  at(order: Order, place: number): Hit {
    const i = this.positionAt(order, place);
    return { id: idAt(this.found.ids, i), score: this.found.scores[i]! };
  }

  /** The hits at these places of the order. */
  hits(order: Order, from: number, to: number): Hit[] {
    const count = Math.max(0, Math.min(to, this.length) - from);
    return Array.from({ length: count }, (_, i) => this.at(order, from + i));
  }

  /** How many places of the order are up to a hit, which need not be there any more. */
  upTo(order: Order, last: Hit | null): number {
    if (!last) return 0;
    const isBehind = ({ id, score }: Hit) =>
      order === "best" && score !== last.score ? score < last.score : id < last.id;
    let [low, high] = [0, this.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (isBehind(this.at(order, middle))) high = middle;
      else low = middle + 1;
    }
    return low;
  }

  /** Only those of them that are among these resources, whatever they weigh there. */
  among(kept: Postings): Ranking {
    const { found } = this;
    const others = { ids: kept.ids, scores: new Float64Array(kept.length) };
    return new Ranking(kept.length < this.length ? intersect(others, found) : intersect(found, others));
  }

  private positionAt(order: Order, place: number): number {
    const last = this.length - 1;
    return order === "newest" ? last - place : this.byScore()[last - place]! % this.length;
  }

  /**
   * Score and position in one number each, the best last: sorted as numbers, which takes a tenth of the time of a
   * comparison written here. Scores below 2³⁰ and four million resources fit.
   */
  private byScore(): Float64Array {
    if (this.best) return this.best;
    const { scores } = this.found;
    const best = new Float64Array(this.length);
    for (let i = 0; i < best.length; i++) best[i] = scores[i]! * best.length + i;
    return (this.best = best.sort());
  }
}
