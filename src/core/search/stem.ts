import stemmers from "snowball-stemmers";

/** Snowball's algorithm by the primary subtag of BCP 47. Languages without one are not stemmed. */
const ALGORITHMS: Record<string, string> = {
  ar: "arabic",
  hy: "armenian",
  eu: "basque",
  ca: "catalan",
  cs: "czech",
  da: "danish",
  nl: "dutch",
  en: "english",
  fi: "finnish",
  fr: "french",
  de: "german",
  hu: "hungarian",
  it: "italian",
  ga: "irish",
  no: "norwegian",
  nb: "norwegian",
  nn: "norwegian",
  pt: "portuguese",
  ro: "romanian",
  ru: "russian",
  es: "spanish",
  sl: "slovene",
  sv: "swedish",
  ta: "tamil",
  tr: "turkish",
};
/** What a text of unknown language is taken for. */
const DEFAULT = "en";
/** Stems that are remembered a language, so that the words that return are stemmed once. */
const REMEMBERED = 20_000;

type Stemmer = { stem: (word: string) => string; known: Map<string, string> };
const kept = new Map<string, Stemmer | null>();

function stemmerOf(language: string): Stemmer | null {
  let found = kept.get(language);
  if (found === undefined) {
    const name = ALGORITHMS[language];
    const algorithm = name ? stemmers.newStemmer(name) : null;
    found = algorithm ? { stem: (word) => algorithm.stem(word), known: new Map() } : null;
    kept.set(language, found);
  }
  return found;
}

/**
 * The stem of a word by Snowball's algorithm for the language (snowballstem.org), in lower case, with its accents.
 * @param language BCP 47; null is taken for English
 */
export function stem(word: string, language: string | null): string {
  // The published Russian list takes ё for е.
  const lower = word.toLowerCase().replace(/ё/g, "е");
  const stemmer = stemmerOf((language ?? DEFAULT).slice(0, 2).toLowerCase());
  if (!stemmer) return lower;
  let stemmed = stemmer.known.get(lower);
  if (stemmed === undefined) {
    stemmed = stemmer.stem(lower.normalize("NFC"));
    if (stemmer.known.size > REMEMBERED) stemmer.known.clear();
    stemmer.known.set(lower, stemmed);
  }
  return stemmed;
}

/** The languages that are stemmed, by their primary subtags. */
export const STEMMED: ReadonlySet<string> = new Set(Object.keys(ALGORITHMS));
