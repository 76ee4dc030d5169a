/**
 * What people said of things: a row a thing, a column a person, null where somebody said nothing. The values are the steps of
 * a scale.
 */
export type Values = readonly (readonly (number | null)[])[];

/** Of one thing, how often each value was given; null when fewer than two said something. */
export type Tally = ReadonlyMap<number, number>;

/** How often each value was given, of every thing of which at least so many said something. */
export function talliesOf(values: Values, least: number): Tally[] {
  return values.flatMap((row) => {
    const tally = new Map<number, number>();
    let said = 0;
    for (const value of row)
      if (value !== null) {
        said++;
        tally.set(value, (tally.get(value) ?? 0) + 1);
      }
    return said >= least ? [tally] : [];
  });
}

/** How many said something. */
export const sizeOf = (tally: Tally): number => [...tally.values()].reduce((sum, n) => sum + n, 0);

/** The share of the pairs of people who said the same of one thing. */
export function pairsAlike(tally: Tally): number {
  const n = sizeOf(tally);
  return [...tally.values()].reduce((sum, times) => sum + times * (times - 1), 0) / (n * (n - 1));
}

export const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;
