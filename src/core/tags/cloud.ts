/** Sizes in a cloud: 1 the smallest, 5 the largest. */
const SIZES = 5;

/**
 * The size of a tag by its use, on a logarithmic scale from the least to the most used: in a catalogue one tag is often
 * used a hundred times as much as another, and no letter can be that much larger.
 * @param count how often the tag is used
 * @param least the use of the least used one
 * @param most that of the most used one
 * @returns 1 (smallest letters) to 5
 */
export function cloudSize(count: number, least: number, most: number): number {
  if (count <= 0) return 1;
  if (most <= least) return Math.ceil(SIZES / 2);
  const share = Math.log(count / Math.max(1, least)) / Math.log(most / Math.max(1, least));
  return 1 + Math.round(Math.max(0, Math.min(1, share)) * (SIZES - 1));
}

/**
 * How strongly two tags belong together: of the resources that have either, the part that has both (Jaccard 1901).
 * @param both how many have both; `a` and `b` how many have each
 */
export const togetherness = (both: number, a: number, b: number): number =>
  both === 0 ? 0 : both / (a + b - both);

/**
 * The last year at least, and back to the first use: month by month, those without any use too ("2026-03").
 * @param counts uses by month, written as 2026-03
 * @param last the month to end with
 * @param most at the most so many months
 */
export function fillMonths(
  counts: ReadonlyMap<string, number>,
  last: string,
  most = 24,
): { month: string; count: number }[] {
  const months: { month: string; count: number }[] = [];
  let [year, month] = last.split("-").map(Number) as [number, number];
  const first = [...counts.keys()].sort()[0] ?? last;
  for (let i = 0; i < most; i++) {
    const name = `${year}-${String(month).padStart(2, "0")}`;
    months.unshift({ month: name, count: counts.get(name) ?? 0 });
    if (i >= 11 && name <= first) break;
    month--;
    if (month === 0) [year, month] = [year - 1, 12];
  }
  return months;
}
