import { mergeMarked, type MergeText, mergeWords } from "@/core/merge/merge-text";
import { sanitise } from "@/core/text/sanitise";
import type { Base } from "./input";
import { type FieldProblem, fieldProblem, Problem, wordsDiffer } from "./problem";

type Text = {
  /** What stands there, locked. */
  now: string;
  /** What is to stand there; undefined when nothing is said of it. */
  wanted: string | undefined;
  /** By words, when nothing else is said. */
  merge?: MergeText;
  /** How long it may be, in characters. */
  most: number;
  /** What is done to it before it is kept, and so to what it began from. */
  clean?: (text: string) => string;
};

/**
 * Words with marks, as HTML from outside.
 * @param now as they stand there, sanitised
 */
export const markedText = (now: string, wanted: string | undefined): Text => ({
  now,
  wanted: wanted === undefined ? undefined : sanitise(wanted),
  merge: mergeMarked,
  most: 20_000,
  clean: sanitise,
});
const asItIs = (text: string) => text.trim();

/**
 * Texts as they are saved: what somebody else wrote since one began is kept, beside one's own words.
 * @param base what each text was when one began to write; of several, the one that stands there counts, or else the last
 * @param texts those the action can change, by the names of their fields
 * @returns those that are wanted, merged
 * @throws {Problem} words-differ, with what stands there now, for texts in which both changed the same words;
 * not-valid, for a base of what is no text here
 * @example
 * const words = mergedWords(input.base, { context: { now: row.context, wanted: input.context, most: 4000 } });
 * await change("placement", row, words);
 */
export function mergedWords<F extends string>(
  base: Base | undefined,
  texts: Record<F, Text>,
): Partial<Record<F, string>> {
  const unknown = Object.keys(base ?? {}).find((field) => !Object.hasOwn(texts, field));
  if (unknown !== undefined) throw fieldProblem("base", "not-valid", `There is no text “${unknown}” here.`);
  const merged: Partial<Record<F, string>> = {};
  const differ: FieldProblem[] = [];
  for (const [field, text] of Object.entries(texts) as [F, Text][]) {
    const { now, wanted, merge = mergeWords, most, clean = asItIs } = text;
    if (wanted === undefined) continue;
    const began = [base?.[field] ?? now].flat().map(clean);
    const from = began.find((one) => one === now) ?? began.at(-1) ?? now;
    const both = merge(from, now, wanted);
    if (both === null || (both.length > most && both !== wanted)) differ.push(wordsDiffer(field, now));
    else merged[field] = both;
  }
  if (differ.length) throw new Problem("words-differ", undefined, differ);
  return merged;
}
