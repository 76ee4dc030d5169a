import { diff3Merge } from "node-diff3";
import { stepsOf } from "./steps";

/**
 * How many steps a comparison may take at the worst, after what is the same at both ends is left out. The package looks
 * for each pair of equal parts along all it has found before, so a text of one word again and again costs its length to
 * the power of three. A hundred million steps are a fifth of a second; who writes more is better asked.
 */
const MOST_STEPS = 100_000_000;

/**
 * Three-way merge (diff3): what two made of the same list, put together.
 * @param base what both began from
 * @param theirs what stands there now
 * @param mine what is to stand there
 * @returns both changes in one list, or null when they changed the same place in different ways, or next to each other
 * @see Khanna, Kunal, Pierce: A Formal Investigation of Diff3 (2007)
 */
export function mergeParts(
  base: readonly string[],
  theirs: readonly string[],
  mine: readonly string[],
): string[] | null {
  const all = [base, theirs, mine];
  const shortest = Math.min(...all.map((one) => one.length));
  const [whole] = all as [readonly string[]];
  let start = 0;
  while (start < shortest && all.every((one) => one[start] === whole[start])) start++;
  let end = 0;
  while (end < shortest - start && all.every((one) => one.at(-1 - end) === whole.at(-1 - end))) end++;
  const [o, a, b] = all.map((one) => one.slice(start, one.length - end)) as [string[], string[], string[]];
  if (stepsOf(o, a) + stepsOf(o, b) > MOST_STEPS) return null;
  const merged: string[] = [];
  for (const { ok, conflict } of diff3Merge(a, o, b)) {
    if (conflict) return null;
    merged.push(...ok!);
  }
  return [...whole.slice(0, start), ...merged, ...whole.slice(whole.length - end)];
}
