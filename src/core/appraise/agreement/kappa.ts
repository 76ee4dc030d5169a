import type { Values } from "./values";

/** How much it counts when two say different things: any difference alike, by its size, or by its square. */
export type Weights = "none" | "linear" | "quadratic";

const WEIGHT: Record<Weights, (a: number, b: number) => number> = {
  none: (a, b) => (a === b ? 0 : 1),
  linear: (a, b) => Math.abs(a - b),
  quadratic: (a, b) => (a - b) ** 2,
};

/**
 * Cohen's κ of two people over the things both said something of: J. Cohen, "A coefficient of agreement for nominal scales",
 * Educational and Psychological Measurement 20 (1960), 37–46; with weights J. Cohen, "Weighted kappa", Psychological Bulletin 70
 * (1968), 213–220. One minus the disagreement there is by the disagreement that chance would give:
 * κ = 1 − Σ w·o / Σ w·e.
 * @param values of two people
 * @returns null when they never both said something, or chance would not let them differ: both always said the same one thing
 */
export function cohensKappa(values: Values, weights: Weights = "none"): number | null {
  const pairs = values.flatMap(([a, b]) => (a == null || b == null ? [] : [[a, b] as const]));
  const weight = WEIGHT[weights];
  const observed = pairs.reduce((sum, [a, b]) => sum + weight(a, b), 0) * pairs.length;
  const count = (side: 0 | 1) => {
    const counts = new Map<number, number>();
    for (const pair of pairs) counts.set(pair[side], (counts.get(pair[side]) ?? 0) + 1);
    return counts;
  };
  let expected = 0;
  const second = count(1);
  for (const [a, times] of count(0))
    for (const [b, others] of second) expected += weight(a, b) * times * others;
  return expected ? 1 - observed / expected : null;
}
