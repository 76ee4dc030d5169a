/** How long a name may be, in characters. */
export const LONGEST_NAME = 80;
/** So many may be in a group. */
export const MOST_NAMES = 500;

/**
 * Names as they were pasted: one a line, as from a list or a column of a table; of several columns the first two are a name
 * when the line comes from a table. A single line is taken apart at its commas. Numbers before names go, and so do blanks.
 * @param text as it was pasted or typed
 * @returns the names in their order, at most `MOST_NAMES` and one more, so that it shows when there are too many
 * @example
 * namesIn("1. Ada Moor\n2. Ben Fen"); // ["Ada Moor", "Ben Fen"]
 */
export function namesIn(text: string): string[] {
  const lines = text.normalize("NFC").split(/\r\n|\r|\n/);
  const written = lines.filter((line) => line.trim());
  const parts = written.length === 1 ? written[0]!.split(/[,;]/) : written;
  const names: string[] = [];
  for (const part of parts) {
    const name = part
      .split("\t")
      .slice(0, 2)
      .join(" ")
      .replace(/^\s*(?:\d{1,4}\s*[.)]\s+|[-•*]\s+)/, "")
      .replace(/\s+/g, " ")
      .trim();
    if (name) names.push([...name].slice(0, LONGEST_NAME).join(""));
    if (names.length > MOST_NAMES) break;
  }
  return names;
}

/** Names that stand there more than once, each once; they may be right, and are worth a look. */
export function twice(names: readonly string[]): string[] {
  const seen = new Set<string>();
  const again = new Set<string>();
  for (const name of names) (seen.has(name.toLowerCase()) ? again : seen).add(name.toLowerCase());
  return [...new Map(names.map((name) => [name.toLowerCase(), name]))]
    .filter(([key]) => again.has(key))
    .map(([, name]) => name);
}
