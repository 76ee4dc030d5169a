/** How many there are of each kind; what there is none of is left out. */
type Counts = readonly number[];

const sharesOf = (counts: Counts): number[] => {
  const all = counts.reduce((sum, count) => sum + count, 0);
  return all ? counts.filter((count) => count > 0).map((count) => count / all) : [];
};

/**
 * The entropy of a mix, in natural units: −Σ p ln p; Shannon (1948), "A mathematical theory of communication", Bell System Technical
 * Journal 27. 0 where all are of one kind, or there are none.
 */
export const shannon = (counts: Counts): number =>
  sharesOf(counts).reduce((sum, p) => sum - p * Math.log(p), 0);

/**
 * How likely two that are taken out, one after the other, are of one kind: Σ n(n−1) / N(N−1); Simpson (1949), "Measurement of diversity",
 * Nature 163. null where there are no two.
 */
export function simpson(counts: Counts): number | null {
  const all = counts.reduce((sum, count) => sum + count, 0);
  if (all < 2) return null;
  return counts.reduce((sum, count) => sum + count * (count - 1), 0) / (all * (all - 1));
}

/**
 * As many kinds in equal parts are as mixed as these: Hill (1973), "Diversity and evenness: a unifying notation and its consequences",
 * Ecology 54. Of order 0 each kind counts alike, of order 1 as its share has it, of order 2 the common ones above all.
 * @returns 0 where there is nothing
 */
export function hill(counts: Counts, order: 0 | 1 | 2): number {
  const shares = sharesOf(counts);
  if (!shares.length || order === 0) return shares.length;
  if (order === 1) return Math.exp(shannon(counts));
  return 1 / shares.reduce((sum, p) => sum + p * p, 0);
}
