/**
 * Words of running text read in a minute: 238 is the mean for silent reading of English non-fiction by adults,
 * Brysbaert (2019), "How many words do we read per minute?", Journal of Memory and Language 109.
 */
export const WORDS_A_MINUTE = 238;
/**
 * Words of the same texts read in a minute in other languages, in which words are longer or shorter: Trauzettel-Klosinski and
 * Dietz (2012), "Standardized assessment of reading performance: the New International Reading Speed Texts", Investigative
 * Ophthalmology & Visual Science 53, from memory. They were read aloud, so that only what they are beside English counts.
 * Languages without blanks between words are counted otherwise here, and are left as they are.
 */
const ALOUD: Record<string, number> = {
  ...{ ar: 138, nl: 202, fi: 161, fr: 195, de: 179, he: 187, it: 188, pl: 166, pt: 181, ru: 184, sl: 180 },
  ...{ es: 218, sv: 199, tr: 166 },
};
const ENGLISH_ALOUD = 228;

/**
 * How many words of a language are read in a minute.
 * @param language BCP 47; null when nobody knows
 * @param pace words of English its readers read in a minute
 */
function wordsAMinute(language: string | null | undefined, pace: number): number {
  const aloud = ALOUD[language?.toLowerCase().split("-")[0] ?? ""];
  return aloud ? (pace * aloud) / ENGLISH_ALOUD : pace;
}

export type Length = { words: number | null; seconds: number | null; language?: string | null };

/**
 * How long something takes, in whole minutes, at least one; null when nothing is known.
 * @param length running words and their language, seconds of a film or sound, or neither
 * @param pace words of English its readers read in a minute; adults, where nothing is said
 */
export function minutesOf({ words, seconds, language }: Length, pace = WORDS_A_MINUTE): number | null {
  if (seconds) return Math.max(1, Math.round(seconds / 60));
  if (words) return Math.max(1, Math.round(words / wordsAMinute(language, pace)));
  return null;
}

/**
 * Minutes in words: "12 min", "1 h", "1 h 53 min".
 * @param minutes whole ones, 0 or more
 * @example
 * sayMinutes(113); // "1 h 53 min"
 */
export function sayMinutes(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  if (!hours) return `${rest} min`;
  return rest ? `${hours} h ${rest} min` : `${hours} h`;
}

const DENSE = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/gu;
/** Where those scripts stand, roughly: a look that costs next to nothing. */
const MAYBE_DENSE = /[\u0e00-\u0e7f\u2e80-\u9fff\uf900-\ufaff\uff66-\uff9f\ud840-\ud88f]/;
const WORD = /[\p{L}\p{N}][\p{L}\p{N}\p{M}'’-]*/gu;

/** Running words of a text in any script; each ideograph and kana counts half a word (common practice). */
export function countWords(text: string): number {
  const dense = MAYBE_DENSE.test(text) ? (text.match(DENSE)?.length ?? 0) : 0;
  const spaced = (dense ? text.replace(DENSE, " ") : text).match(WORD);
  return Math.round(dense / 2) + (spaced?.length ?? 0);
}
