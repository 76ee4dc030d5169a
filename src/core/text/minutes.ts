/**
 * Words of running text read in a minute: 238 is the mean for silent reading of English non-fiction by adults,
 * Brysbaert (2019), "How many words do we read per minute?", Journal of Memory and Language 109.
 */
const WORDS_A_MINUTE = 238;

export type Length = { words: number | null; seconds: number | null };

/** How long something takes, in whole minutes, at least one; null when nothing is known. */
export function minutesOf({ words, seconds }: Length): number | null {
  if (seconds) return Math.max(1, Math.round(seconds / 60));
  if (words) return Math.max(1, Math.round(words / WORDS_A_MINUTE));
  return null;
}

/** Minutes in words: "12 min", "1 h", "1 h 53 min". */
export function sayMinutes(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  if (!hours) return `${rest} min`;
  return rest ? `${hours} h ${rest} min` : `${hours} h`;
}

/** Running words of a text in any script; each ideograph and kana counts half a word (common practice). */
export function countWords(text: string): number {
  const dense =
    text.match(/[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/gu)?.length ?? 0;
  const spaced = text
    .replace(/[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/gu, " ")
    .match(/[\p{L}\p{N}][\p{L}\p{N}\p{M}'’-]*/gu);
  return Math.round(dense / 2) + (spaced?.length ?? 0);
}
