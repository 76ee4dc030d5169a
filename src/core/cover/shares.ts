/**
 * Shares out a number of equal parts by weight, by the largest remainder (Hamilton's method), each at least one.
 * @param weights positive, at most as many as there are parts
 * @param parts how many there are
 * @returns how many each gets; all together they are `parts`
 * @example
 * sharesOf([1, 1, 8], 10); // [1, 1, 8]
 * sharesOf([1, 1, 98], 5); // [1, 1, 3]
 */
export function sharesOf(weights: readonly number[], parts: number): number[] {
  const sum = weights.reduce((all, one) => all + one, 0);
  // Everybody has one; what is left goes to those who have less than they ask for.
  const asked = weights.map((weight) => Math.max(0, (weight / sum) * parts - 1));
  const rest = parts - weights.length;
  const all = asked.reduce((sum, one) => sum + one, 0) || 1;
  const exact = asked.map((one) => (one / all) * rest);
  const given = exact.map(Math.floor);
  const left = rest - given.reduce((sum, one) => sum + one, 0);
  const byRemainder = exact
    .map((one, i) => ({ i, remainder: one - given[i]! }))
    .sort((a, b) => b.remainder - a.remainder || a.i - b.i);
  for (const { i } of byRemainder.slice(0, left)) given[i]!++;
  return given.map((one) => one + 1);
}
