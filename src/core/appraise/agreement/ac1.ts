import { mean, pairsAlike, sizeOf, talliesOf, type Values } from "./values";

/**
 * Gwet's AC1, which holds where almost everybody gives one answer and κ says nothing: K. L. Gwet, "Computing inter-rater
 * reliability and its variance in the presence of high agreement", British Journal of Mathematical and Statistical Psychology 61
 * (2008), 29–48. Chance is the mean of π(1 − π) over the answers, π the share of each, things counting alike however many
 * judged them.
 * @param steps how many answers the scale has, given or not
 * @returns null when of nothing two said something
 */
export function gwetsAc1(values: Values, steps: number): number | null {
  const judged = talliesOf(values, 1);
  const twice = talliesOf(values, 2);
  if (!twice.length || steps < 2) return null;
  const shares = new Map<number, number>();
  for (const tally of judged)
    for (const [value, times] of tally)
      shares.set(value, (shares.get(value) ?? 0) + times / sizeOf(tally) / judged.length);
  const chance = [...shares.values()].reduce((sum, share) => sum + share * (1 - share), 0) / (steps - 1);
  return (mean(twice.map(pairsAlike)) - chance) / (1 - chance);
}
