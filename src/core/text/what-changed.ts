import { diffComm } from "node-diff3";
import { stepsOf } from "../merge/steps";

/** A run of words that stands in both texts, only in the older, or only in the newer one. */
export type Difference = { kind: "same" | "gone" | "new"; text: string };

/** A comparison that could take more steps than this is not made: what stood there is gone, what stands there is new. */
const MOST_STEPS = 20_000_000;

/**
 * What is other in a text than it was: paragraphs that are the same are passed over, and what stands between them is
 * compared by words.
 */
export function whatChanged(before: string, after: string): Difference[] {
  const found: Difference[] = [];
  const put = (kind: Difference["kind"], text: string) => {
    const last = found.at(-1);
    if (!text) return;
    if (last?.kind === kind) last.text += text;
    else found.push({ kind, text });
  };
  for (const { common, gone, fresh } of compared(linesOf(before), linesOf(after))) {
    put("same", common);
    const [old, now] = [wordsOf(gone), wordsOf(fresh)];
    for (const part of compared(old, now)) {
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

function compared(old: readonly string[], now: readonly string[]): Part[] {
  if (!old.length || !now.length || stepsOf(old, now) > MOST_STEPS)
    return [{ common: "", gone: old.join(""), fresh: now.join("") }];
  return diffComm([...old], [...now]).map((part) =>
    part.common
      ? { common: part.common.join(""), gone: "", fresh: "" }
      : { common: "", gone: part.buffer1!.join(""), fresh: part.buffer2!.join("") },
  );
}
