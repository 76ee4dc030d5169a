/** Characters no page shows: controls, halves of characters, those Unicode keeps for itself, byte order marks. */
const NEVER = /[\p{Cc}\p{Cs}\uFEFF\u{FFFE}\u{FFFF}\u{FDD0}-\u{FDEF}]/gu;
/** Marks that turn the direction of what follows, and of the page with it (Unicode, UAX 9): the setter finds that out itself. */
const TURNS = /[\u202A-\u202E\u2066-\u2069]/g;
/** A word longer than a line has places to be broken at. */
const LONG = /[^\s\u200B]{40,}/gu;

/**
 * Text as it can be set on a page, on one line: without what no page shows, and with places to break words that are longer
 * than a line.
 * @param text anybody's words
 */
export const forPrint = (text: string): string =>
  text
    .toWellFormed()
    .replace(/[\t\n\v\f\r\u0085\u2028\u2029]+/g, " ")
    .replace(NEVER, "")
    .replace(TURNS, "")
    .replace(LONG, (word) => word.replace(/\P{M}\p{M}*(?:\P{M}\p{M}*){23}/gu, (part) => `${part}\u200B`))
    .trim();
