import { mean, pairsAlike, sizeOf, talliesOf, type Values } from "./values";

/**
 * Fleiss' κ of any number of people, as many for every thing: J. L. Fleiss, "Measuring nominal scale agreement among many
 * raters", Psychological Bulletin 76 (1971), 378–382. κ = (P̄ − P̄ₑ) / (1 − P̄ₑ).
 * @returns null when not everything was judged by as many, or only one answer was ever given
 */
export function fleissKappa(values: Values): number | null {
  const tallies = talliesOf(values, 1);
  const raters = tallies[0] && sizeOf(tallies[0]);
  if (!raters || raters < 2 || tallies.some((one) => sizeOf(one) !== raters)) return null;
  const totals = new Map<number, number>();
  for (const tally of tallies)
    for (const [value, times] of tally) totals.set(value, (totals.get(value) ?? 0) + times);
  const all = tallies.length * raters;
  const chance = [...totals.values()].reduce((sum, times) => sum + (times / all) ** 2, 0);
  return chance === 1 ? null : (mean(tallies.map(pairsAlike)) - chance) / (1 - chance);
}
