/** Of a PDF the words of so many pages are kept. */
export const MOST_PAGES = 400;
/** Of a file of plain text so many characters are kept. */
export const MOST_CHARACTERS = 1_000_000;

/** Of a file that is longer than what is kept of its text, what is kept; null where all of it is. */
export type KeptPart = "pages" | "characters" | null;

/**
 * How much of a file is in its reading copy: files of any length are kept, their text up to a bound.
 * @param type of the file
 * @param pages of it, where it has some
 * @param length of the text that is kept, in characters
 */
export function keptPart(type: string, pages: number | null, length: number): KeptPart {
  if (type === "application/pdf") return (pages ?? 0) > MOST_PAGES ? "pages" : null;
  return type.startsWith("text/") && length >= MOST_CHARACTERS ? "characters" : null;
}

/** The same in words, for whoever reads what is kept. */
export const sayKeptPart = (part: NonNullable<KeptPart>): string =>
  part === "pages"
    ? `The words of its first ${MOST_PAGES} pages are kept here as text; the file has all of them.`
    : "Its first million characters are kept here as text; the file has all of them.";
