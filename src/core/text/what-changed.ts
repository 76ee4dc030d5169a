import { diffComm } from "node-diff3";
import { stepsOf } from "../merge/steps";

/** A run of words that stands in both texts, only in the older, or only in the newer one. */
export type Difference = { kind: "same" | "gone" | "new"; text: string };

/** All comparisons together take no more steps than this; for what would, what stood there is gone and what stands there is new. */
const MOST_STEPS = 40_000_000;

/**
 * What is other in a text than it was: paragraphs that are the same are passed over, and what stands between them is
 * compared by words.
 */
export function whatChanged(before: string, after: string): Difference[] {
  const found: Difference[] = [];
  const left = { steps: MOST_STEPS };
  const put = (kind: Difference["kind"], text: string) => {
    const last = found.at(-1);
    if (!text) return;
    if (last?.kind === kind) last.text += text;
    else found.push({ kind, text });
  };
  for (const { common, gone, fresh } of compared(linesOf(before), linesOf(after), left)) {
    put("same", common);
    const [old, now] = [wordsOf(gone), wordsOf(fresh)];
    for (const part of compared(old, now, left)) {
      put("same", part.common);
      put("gone", part.gone);
      put("new", part.fresh);
    }
  }
  return found;
}

const linesOf = (text: string): string[] => text.match(/[^\n]*\n|[^\n]+$/g) ?? [];
/** A word with the blank behind it, as for merging. */
const wordsOf = (text: string): string[] => text.match(/\s+|\S+\s*/g) ?? [];

type Part = { common: string; gone: string; fresh: string };

function compared(old: readonly string[], now: readonly string[], left: { steps: number }): Part[] {
  const steps = stepsOf(old, now);
  const isTooMuch = steps > left.steps;
  if (!isTooMuch) left.steps -= steps;
  if (!old.length || !now.length || isTooMuch)
    return [{ common: "", gone: old.join(""), fresh: now.join("") }];
  return diffComm([...old], [...now]).map((part) =>
    part.common
      ? { common: part.common.join(""), gone: "", fresh: "" }
      : { common: "", gone: part.buffer1!.join(""), fresh: part.buffer2!.join("") },
  );
}
