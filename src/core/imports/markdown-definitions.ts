import { readAddress } from "../address/read-address";

/** A link reference definition: `[label]: address "title"`. */
const DEFINITION =
  /^ {0,3}\[([^[\]\n]{1,200})\]:[ \t]*<?(https?:\/\/[^\s<>]{1,2000})>?(?:[ \t]+["'(]([^\n]{0,300}?)["')])?[ \t]*$/gimu;
/** What it is used by: `[words][label]`, `[label][]`. */
const USE = /\[([^[\]\n]{1,300})\]\[([^[\]\n]{0,200})\]/gu;

/** Labels are the same in any case and with any blanks between their words (CommonMark 0.31.2, "matches"). */
const keyOf = (label: string): string => label.trim().replace(/\s+/g, " ").toLowerCase();

/**
 * The links Markdown defines apart from the words that lead there (CommonMark 0.31.2, 4.7). The words are its title, or the
 * title it has itself; a figure is neither.
 * @param text in Markdown, or a letter whose writer puts links below it
 * @returns each definition with where it stands
 */
export function definitionsIn(text: string): { address: string; title: string; at: number; end: number }[] {
  const found = [...text.matchAll(DEFINITION)].flatMap((one) => {
    const read = readAddress(one[2]!);
    return read.ok ? [{ one, address: read.address }] : [];
  });
  if (!found.length) return [];
  const used = new Map<string, string>();
  for (const [, words, label] of text.matchAll(USE)) {
    const key = keyOf(label || words!);
    if (!used.has(key)) used.set(key, words!);
  }
  return found.map(({ one, address }) => {
    const [whole, label, , title] = one;
    const named = used.get(keyOf(label!)) ?? title ?? label!;
    const words = /^\^?\d+$/.test(named.trim()) ? "" : named;
    return {
      ...{ address, title: words.replace(/\s+/g, " ").trim() },
      ...{ at: one.index, end: one.index + whole.length },
    };
  });
}
