import { sizeOf, talliesOf, type Values } from "./values";

/** What the steps of a scale mean to each other: names, an order, equal steps, or amounts with a nothing. */
export const LEVELS = ["nominal", "ordinal", "interval", "ratio"] as const;
export type Level = (typeof LEVELS)[number];

/** Things with the same answers are one pattern, with how often it is there; null answers are left out. */
type Pattern = { counts: readonly number[]; size: number };

/** The patterns of what was said, and which thing has which. */
export type Patterns = { steps: readonly number[]; patterns: readonly Pattern[]; ofThing: readonly number[] };

/** What α is computed from, with everything alike put together; things of which fewer than two said something are left out. */
export function patternsOf(values: Values): Patterns {
  const tallies = talliesOf(values, 2);
  const steps = [...new Set(tallies.flatMap((tally) => [...tally.keys()]))].sort((a, b) => a - b);
  const known = new Map<string, number>();
  const patterns: Pattern[] = [];
  const ofThing = tallies.map((tally) => {
    const counts = steps.map((step) => tally.get(step) ?? 0);
    const key = counts.join();
    const found = known.get(key) ?? patterns.push({ counts, size: sizeOf(tally) }) - 1;
    known.set(key, found);
    return found;
  });
  return { steps, patterns, ofThing };
}

/** How far two steps are apart, squared, by where they stand among the steps that were given. */
function distance(
  level: Level,
  steps: readonly number[],
  totals: readonly number[],
  a: number,
  b: number,
): number {
  const [low, high] = [steps[a]!, steps[b]!];
  switch (level) {
    case "nominal":
      return 1;
    case "interval":
      return (low - high) ** 2;
    case "ratio":
      return low + high === 0 ? 0 : ((low - high) / (low + high)) ** 2;
    case "ordinal": {
      // The ranks between both, each end counted by half.
      let between = -(totals[a]! + totals[b]!) / 2;
      for (let step = a; step <= b; step++) between += totals[step]!;
      return between ** 2;
    }
  }
}

/**
 * α from patterns, each so many times.
 * @param times how often each pattern is there
 * @returns null when there are fewer than two values to pair, or only one was ever given
 */
export function alphaOf(
  { steps, patterns }: Patterns,
  times: ArrayLike<number>,
  level: Level,
): number | null {
  const totals = steps.map(() => 0);
  // Of steps a < b: how often they stand together, within things.
  const observed = steps.map(() => steps.map(() => 0));
  patterns.forEach(({ counts, size }, i) => {
    const often = times[i]!;
    if (!often) return;
    for (let a = 0; a < steps.length; a++) {
      const first = counts[a]!;
      if (!first) continue;
      totals[a]! += first * often;
      for (let b = a + 1; b < steps.length; b++)
        observed[a]![b]! += (first * counts[b]! * often) / (size - 1);
    }
  });
  const all = totals.reduce((sum, total) => sum + total, 0);
  let [found, chance] = [0, 0];
  for (let a = 0; a < steps.length; a++)
    for (let b = a + 1; b < steps.length; b++) {
      if (!totals[a] || !totals[b]) continue;
      const apart = distance(level, steps, totals, a, b);
      found += observed[a]![b]! * apart;
      chance += totals[a]! * totals[b]! * apart;
    }
  return chance ? 1 - ((all - 1) * found) / chance : null;
}

/**
 * Krippendorff's α of any number of people, with gaps: K. Krippendorff, "Content Analysis: An Introduction to Its Methodology"
 * (2004), chapter 11, and "Computing Krippendorff's Alpha-Reliability" (2011). α = 1 − Dₒ / Dₑ over the values of things of which
 * two or more said something.
 * @returns null when there are none, or only one value was ever given
 */
export function krippendorffsAlpha(values: Values, level: Level): number | null {
  const found = patternsOf(values);
  const times = found.patterns.map(() => 0);
  for (const pattern of found.ofThing) times[pattern]!++;
  return alphaOf(found, times, level);
}
