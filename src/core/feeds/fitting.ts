import { idf } from "../search/weigh";

/** A text by its terms: each with its weight, and the word it stands for. */
export type Terms = readonly { term: string; weight: number; word: string }[];

/** A thing that would fit, and the words by which, those first that tell most. */
export type Fits = { id: string; score: number; words: string[] };

/** One word in common is a coincidence. */
const LEAST_WORDS = 2;
/** From this cosine on it fits. */
const LEAST = 0.2;
/** Of a few things nothing is known of what is rare: they are taken for some of so many. */
const AMONG = 100;
const SHOWN_WORDS = 3;

/**
 * Which of these would fit a collection by their words, the likest first: by the cosine of both, each term weighted by how
 * rare it is among all of them (Salton, Wong and Yang, A vector space model for automatic indexing, CACM 18, 1975).
 * What has fewer than two words in common with it is left out, however rare these are.
 * @param own the words of the collection
 * @param others things that may fit
 */
export function fitting(own: Terms, others: readonly { id: string; terms: Terms }[]): Fits[] {
  return fittingWords(
    own.filter(isWord),
    others.map(({ id, terms }) => ({ id, terms: terms.filter(isWord) })),
  );
}

/** A date or a number in a title is rare, and says nothing of what it is about. */
const isWord = ({ term }: Terms[number]) => !/^\p{N}+$/u.test(term);

function fittingWords(own: Terms, others: readonly { id: string; terms: Terms }[]): Fits[] {
  const df = new Map<string, number>();
  for (const { terms } of [{ terms: own }, ...others])
    for (const { term } of terms) df.set(term, (df.get(term) ?? 0) + 1);
  const by = ({ term, weight }: Terms[number]) =>
    weight * idf(Math.max(AMONG, others.length + 1), df.get(term)!);
  const length = (terms: Terms) => Math.sqrt(terms.reduce((sum, one) => sum + by(one) ** 2, 0));
  const ours = new Map(own.map((one) => [one.term, by(one)]));
  const ownLength = length(own);
  return others
    .map(({ id, terms }) => {
      const shared = terms
        .flatMap((one) => {
          const our = ours.get(one.term);
          return our === undefined ? [] : [{ word: one.word, by: our * by(one) }];
        })
        .sort((a, b) => b.by - a.by);
      const words = [...new Set(shared.map((one) => one.word))];
      const sum = shared.reduce((all, one) => all + one.by, 0);
      const score = words.length >= LEAST_WORDS ? sum / (ownLength * length(terms) || 1) : 0;
      return { id, score, words: words.slice(0, SHOWN_WORDS) };
    })
    .filter((one) => one.score >= LEAST)
    .sort((a, b) => b.score - a.score || (a.id < b.id ? -1 : 1));
}
