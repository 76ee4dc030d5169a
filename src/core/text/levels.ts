import { lettersIn, hasSuchWords, type Sentence, sentencesOf } from "./running-text";
import { LEAST_WORDS, LEVELS, lix } from "./lix";
import { SYLLABLED, syllablesIn, type Syllabled } from "./syllables";

/** What is counted in running text. */
export type Counts = {
  words: number;
  sentences: number;
  letters: number;
  /** Words of more than six letters. */
  long: number;
  /** Null where they cannot be counted from how words are written. */
  syllables: number | null;
  /** Words of one syllable, and of three and more. */
  ones: number;
  threes: number;
};

/** How hard a text is, by one formula: its name and source, the figure, what that is in words. */
export type Level = { name: string; value: number; words: string };

/** What can be said of how hard a text is to read. */
export type Hardness = {
  counts: Counts;
  levels: Level[];
  longSentences: Span[];
  longWords: Span[];
  /** From how many words on a sentence is long, from how many letters on a word. */
  long: { words: number; letters: number };
};
type Span = { start: number; end: number };

/** From this many words on a sentence is long, and from this many letters a word: common practice in plain language. */
const LONG_SENTENCE = 25;
const LONG_WORD = 12;
/** No more of either is shown: a page on which everything is marked says nothing. */
const MOST_SHOWN = 2_000;

/**
 * How hard a text is to read, by the formulas for its language, and what makes it so. No formula knows what a text is about
 * or what its readers know already: they go by lengths alone.
 * @param text running words, a line a paragraph; places are places in it
 * @param language BCP 47; null when nobody knows
 * @returns null for less than 100 words of running text, and for scripts the formulas say nothing about
 */
export function hardnessOf(text: string, language: string | null): Hardness | null {
  const code = language?.toLowerCase().split("-")[0] ?? "";
  const syllabled = SYLLABLED.find((one) => one === code) ?? null;
  const counter = new Counter(syllabled);
  const longSentences: Span[] = [];
  const longWords: Span[] = [];
  for (const sentence of sentencesOf(text)) {
    counter.add(sentence);
    if (sentence.words.length >= LONG_SENTENCE && longSentences.length < MOST_SHOWN)
      longSentences.push({ start: sentence.start, end: sentence.end });
    for (const { at, word } of sentence.words)
      if (lettersIn(word) >= LONG_WORD && longWords.length < MOST_SHOWN)
        longWords.push({ start: at, end: at + word.length });
  }
  const { counts } = counter;
  if (counts.words < LEAST_WORDS || !hasSuchWords(text)) return null;
  const long = { words: LONG_SENTENCE, letters: LONG_WORD };
  return { counts, levels: levelsBy(counts, code), longSentences, longWords, long };
}

class Counter {
  readonly counts: Counts;
  readonly #syllabled: Syllabled | null;
  /** The same words come again and again. */
  readonly #known = new Map<string, number>();

  constructor(syllabled: Syllabled | null) {
    this.#syllabled = syllabled;
    const syllables = syllabled ? 0 : null;
    this.counts = { words: 0, sentences: 0, letters: 0, long: 0, syllables, ones: 0, threes: 0 };
  }

  add({ words }: Sentence): void {
    const all = this.counts;
    all.sentences++;
    for (const { word } of words) {
      const letters = lettersIn(word);
      all.words++;
      all.letters += letters;
      if (letters > 6) all.long++;
      if (!this.#syllabled) continue;
      const syllables = this.#known.get(word) ?? syllablesIn(word, this.#syllabled);
      if (this.#known.size < 50_000) this.#known.set(word, syllables);
      all.syllables! += syllables;
      if (syllables === 1) all.ones++;
      if (syllables >= 3) all.threes++;
    }
  }
}

/** The levels a language has formulas for; LIX, which goes by letters, stands with each. */
export function levelsBy(counts: Counts, language: string): Level[] {
  const own = (FORMULAS[language] ?? []).map(({ name, formula, words }) => {
    const value = Math.round(formula(counts) * 10) / 10;
    return { name, value, words: words(value) };
  });
  const value = Math.round(lix(counts.words, counts.sentences, counts.long));
  const found = LEVELS.find(({ most }) => value <= most)?.words ?? "Very hard, as laws are";
  return [...own, { name: "LIX (Björnsson 1968)", value, words: found }];
}

type Formula = { name: string; formula: (counts: Counts) => number; words: (value: number) => string };

/** The classes of Flesch (1948), from the easiest on. */
const EASE: [least: number, words: string][] = [
  [90, "Very easy"],
  [80, "Easy"],
  [70, "Fairly easy"],
  [60, "Plain"],
  [50, "Fairly hard"],
  [30, "Hard"],
];
const easeOf = (value: number): string => EASE.find(([least]) => value >= least)?.[1] ?? "Very hard";
const school =
  (where: string) =>
  (value: number): string =>
    value < 1 ? `Below school year 1 (${where})` : `About school year ${Math.round(value)} (${where})`;

const FORMULAS: Record<string, Formula[]> = {
  en: [
    {
      // R. Flesch, "A new readability yardstick", Journal of Applied Psychology 32 (1948).
      name: "Reading ease (Flesch 1948)",
      formula: ({ words, sentences, syllables }) =>
        206.835 - 84.6 * (syllables! / words) - 1.015 * (words / sentences),
      words: easeOf,
    },
    {
      // J. P. Kincaid and others, Research Branch Report 8-75, Chief of Naval Technical Training 1975.
      name: "Grade (Kincaid 1975)",
      formula: ({ words, sentences, syllables }) =>
        0.39 * (words / sentences) + 11.8 * (syllables! / words) - 15.59,
      words: school("United States"),
    },
  ],
  es: [
    {
      // J. Fernández Huerta, "Medidas sencillas de lecturabilidad", Consigna 214 (1959), with the length of sentences in
      // words, as G. Law showed in 2011 it was meant.
      name: "Lecturabilidad (Fernández Huerta 1959)",
      formula: ({ words, sentences, syllables }) =>
        206.84 - 60 * (syllables! / words) - 1.02 * (words / sentences),
      words: easeOf,
    },
  ],
  de: [
    {
      // R. Bamberger and E. Vanecek, Lesen – Verstehen – Lernen – Schreiben, Wien 1984: the first of their formulas.
      name: "Erste Wiener Sachtextformel (Bamberger and Vanecek 1984)",
      formula: ({ words, sentences, threes, long, ones }) =>
        0.1935 * ((100 * threes) / words) +
        0.1672 * (words / sentences) +
        0.1297 * ((100 * long) / words) -
        0.0327 * ((100 * ones) / words) -
        0.875,
      words: school("Austria"),
    },
  ],
  it: [
    {
      // P. Lucisano and M. E. Piemontese, "GULPEASE", Scuola e città 3 (1988).
      name: "Gulpease (Lucisano and Piemontese 1988)",
      formula: ({ words, sentences, letters }) =>
        Math.min(100, 89 + (300 * sentences - 10 * letters) / words),
      words: (value) =>
        value >= 80
          ? "Plain for everybody"
          : value >= 60
            ? "Plain after eight years of school"
            : value >= 40
              ? "Plain after thirteen years of school"
              : "Hard, also after thirteen years of school",
    },
  ],
};
