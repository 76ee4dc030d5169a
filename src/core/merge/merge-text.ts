import { sanitise } from "../text/sanitise";
import { mergeParts } from "./three-way";

/**
 * How two versions of a text become one.
 * @param base what both began from
 * @param theirs what stands there now
 * @param mine what is to stand there
 * @returns the text with the changes of both, or null when both changed the same words
 */
export type MergeText = (base: string, theirs: string, mine: string) => string | null;

/** Merges whatever need not be taken apart; `parts` takes a text apart, so that joined they are the text again. */
const merging =
  (parts: (text: string) => string[], whole: (text: string) => string | null): MergeText =>
  (base, theirs, mine) => {
    if (mine === base || mine === theirs) return theirs;
    if (theirs === base) return mine;
    const merged = mergeParts(parts(base), parts(theirs), parts(mine));
    return merged && whole(merged.join(""));
  };

const wordsOf = (text: string) => `${text} `.match(/\S+\s*/g) ?? [];

/**
 * Merges plain words. A word is one with the blank behind it: blanks as parts of their own would make every text a list
 * in which each second part is the same.
 * @example
 * mergeWords("Read this first.", "Read this chapter first.", "Read this first. Then the map.");
 * // "Read this chapter first. Then the map."
 */
export const mergeWords: MergeText = merging(wordsOf, (text) => text.trim());

/** Merges a list that is written as one text, with `;` between its entries: names of authors. */
export const mergeEntries: MergeText = merging(
  (text) => `${text.trim().replace(/;$/, "")}; `.match(/[^;]+;\s*/g) ?? [],
  (text) => text.trim().replace(/;$/, ""),
);

/**
 * Merges words with marks: sanitised HTML, in which a tag is a part as a word is. What would not be whole (a mark that
 * one began where the other took its paragraph away) is not merged.
 */
export const mergeMarked: MergeText = merging(
  (html) => html.match(/<[^>]*>|[^<\s]+\s*|\s+/g) ?? [],
  (html) => (sanitise(html) === html ? html : null),
);

/** One value or the other: a date, a name that must be whole. */
export const mergeWhole: MergeText = merging(
  (text) => [text],
  (text) => text,
);
