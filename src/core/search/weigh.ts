import { tokensOf } from "./tokens";

/** The words of a resource by where they stand. */
export type Searchable = {
  title: string;
  tags: readonly string[];
  /** Headings and context lines, wherever it stands. */
  contexts: readonly string[];
  /** What the team says of it to itself. */
  notes: string;
  /** What the team marked in it, and wrote beside it. */
  marks: readonly string[];
  description: string;
  /** Site, authors. */
  source: readonly string[];
  /** The reading copy. */
  text: string;
  /** BCP 47 */
  language: string | null;
  /**
   * What it is known by besides its words, each found whole: no part of a text is ever one of them, because of the sign they
   * begin with (`wholeTerm`).
   */
  keys?: readonly string[];
};

/** What no word of a text begins with. */
const WHOLE = "=";

/** A term that is no word. @param key at most 39 characters, without line breaks */
export const wholeTerm = (key: string): string => WHOLE + key;

/**
 * The term of whatever somebody has marked, be it for themselves alone. It says neither who nor what: among what has it, it
 * is still asked which marks one may see.
 */
export const MARKED = wholeTerm("marked");

/**
 * BM25F (Robertson, Zaragoza, Taylor 2004: "Simple BM25 extension to multiple weighted fields"): the frequency of a
 * term in a field, divided by how long the field is beside a usual one, times the weight of the field; the sum over
 * the fields saturates with k1. With one field this is BM25. The usual lengths are fixed, not measured in the team, so
 * that one resource's weights do not depend on the others'.
 */
const FIELDS = {
  title: { weight: 5, usual: 8, b: 0.4 },
  tags: { weight: 4, usual: 4, b: 0.2 },
  contexts: { weight: 3, usual: 16, b: 0.4 },
  notes: { weight: 2.5, usual: 30, b: 0.6 },
  marks: { weight: 2, usual: 60, b: 0.75 },
  description: { weight: 2, usual: 30, b: 0.6 },
  source: { weight: 1.5, usual: 4, b: 0.2 },
  text: { weight: 1, usual: 600, b: 0.75 },
} as const;
type Field = keyof typeof FIELDS;
const K1 = 1.2;
/** Weights are kept in thousandths. */
const SCALE = 1000;
/** Of a long text only so many terms are kept, the heaviest; of the short fields all. */
const TEXT_TERMS = 120;

/** A term of a resource: its weight in thousandths, from 0 to (k1 + 1) · 1000, and the word as it was folded. */
export type Weighed = { term: string; weight: number; word: string };

/**
 * What a frequency, already weighted and divided by length, counts for: tf · (k1 + 1) / (tf + k1).
 * @param tf how often the term stands in the resource, weighted by field and divided by its length
 */
export const saturate = (tf: number): number => (tf * (K1 + 1)) / (tf + K1);

/**
 * How much a term says that is in `df` of `n` resources: ln(1 + (n − df + ½) / (df + ½)), never negative.
 * @param n how many resources there are
 * @param df in how many of them the term stands
 */
export const idf = (n: number, df: number): number => Math.log(1 + (Math.max(0, n - df) + 0.5) / (df + 0.5));

/**
 * The terms of a resource with their weights, heaviest first.
 * @param resource the words of a resource by field
 */
export function weigh(resource: Searchable): Weighed[] {
  const sums = new Map<string, { tf: number; word: string; short: boolean }>();
  const add = (field: Field, texts: readonly string[]) => {
    const { weight, usual, b } = FIELDS[field];
    const tokens = texts.flatMap((text) => tokensOf(text, resource.language));
    const length = tokens.filter((token) => !token.part).length;
    const unit = weight / (1 - b + (b * length) / usual);
    for (const { term, word } of tokens) {
      count(term, word, unit, field !== "text");
      // What people type at first are the beginnings of words of titles, not of stems.
      if (word !== term && field !== "text") count(word, word, unit, true);
    }
  };
  const count = (term: string, word: string, unit: number, short: boolean) => {
    const sum = sums.get(term);
    if (sum) {
      sum.tf += unit;
      sum.short ||= short;
    } else sums.set(term, { tf: unit, word, short });
  };
  add("title", [resource.title]);
  add("tags", resource.tags);
  add("contexts", resource.contexts);
  add("notes", [resource.notes]);
  add("marks", resource.marks);
  add("description", [resource.description]);
  add("source", resource.source);
  add("text", [resource.text]);
  // Of those that stand there equally often the longer ones tell more: the rarer a word, the longer (Zipf 1935, law of
  // abbreviation). Numbers tell least.
  const all = [...sums].map(([term, { tf, word, short }]) => ({
    term,
    word,
    short,
    weight: Math.max(1, Math.round(saturate(tf) * SCALE)),
    telling: /\p{L}/u.test(term) ? term.length : 0,
  }));
  all.sort((a, b) => b.weight - a.weight || b.telling - a.telling || (a.term < b.term ? -1 : 1));
  let left = TEXT_TERMS;
  return [
    ...all
      .filter(({ short }) => short || left-- > 0)
      .map(({ term, weight, word }) => ({ term, weight, word })),
    ...(resource.keys ?? []).map((term) => ({ term, weight: 1, word: term })),
  ];
}
