/** More characters than these are no passage. */
const LONGEST = 1_000;

/**
 * The end of an address of the reading room that leads to words of the text.
 * @param words as they stand there; blanks between them may be others
 */
export const hashOfWords = (words: string): string =>
  // A letter of two halves may have been cut between them, and has no address.
  `#says=${encodeURIComponent(words.replace(/[\ud800-\udfff]/gu, ""))}`;

/** The words an address leads to; null: to none. @param hash the end of the address, with its # */
export function wordsOfHash(hash: string): string | null {
  const [, encoded] = /^#says=(.+)$/.exec(hash) ?? [];
  if (!encoded) return null;
  try {
    return decodeURIComponent(encoded).slice(0, LONGEST).trim() || null;
  } catch {
    // Cut off in the middle of a letter by whatever sent it on.
    return null;
  }
}
