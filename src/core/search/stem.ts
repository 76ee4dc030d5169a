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

/** The stem of a word in lower case. */
type Stemmer = (lower: string) => string;
const kept = new Map<string, Stemmer>();

/**
 * Stems words by Snowball's algorithm for the language (snowballstem.org); what it gives is in lower case, with its
 * accents. Words of a language without an algorithm stay as they are.
 * @param language BCP 47; null is taken for English
 */
export function stemmerOf(language: string | null): Stemmer {
  const primary = (language ?? DEFAULT).slice(0, 2).toLowerCase();
  let found = kept.get(primary);
  if (!found) kept.set(primary, (found = newStemmer(ALGORITHMS[primary])));
  return found;
}

function newStemmer(name: string | undefined): Stemmer {
  if (!name) return (lower) => lower;
  const algorithm = stemmers.newStemmer(name);
  const known = new Map<string, string>();
  return (lower) => {
    let stemmed = known.get(lower);
    if (stemmed === undefined) {
      stemmed = algorithm.stem(lower.normalize("NFC"));
      if (known.size > REMEMBERED) known.clear();
      known.set(lower, stemmed);
    }
    return stemmed;
  };
}

/** The stem of a word. @param language BCP 47; null is taken for English */
export const stem = (word: string, language: string | null): string =>
  // The published Russian list takes ё for е.
  stemmerOf(language)(word.toLowerCase().replace(/ё/g, "е"));

/** The languages that are stemmed, by their primary subtags. */
export const STEMMED: ReadonlySet<string> = new Set(Object.keys(ALGORITHMS));
