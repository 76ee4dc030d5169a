import { hill, simpson } from "./diversity";

/** By what sources are mixed. */
export const DIMENSIONS = ["site", "author", "kind", "language", "year"] as const;
export type Dimension = (typeof DIMENSIONS)[number];

/** How many there are of a value; the empty one is what nobody knows of. */
export type Share = { value: string; count: number };
export type Mix = {
  /** The most frequent first, years in their order. */
  shares: Share[];
  /** How many values there are beyond those, and how many times they stand. */
  more: number;
  beyond: number;
  /** Of how many nobody knows it. */
  unknown: number;
  /** As mixed as so many in equal parts: of what is known, by Hill's number of order 1. */
  like: number;
  /** How likely two of them are of one; null where there are no two. */
  alike: number | null;
};

/** So many values are shown of each. */
const SHOWN = 25;

/** What a mix comes to. @param counted how many there are of each value */
export function mixOf(counted: readonly Share[], dimension: Dimension): Mix {
  const known = counted.filter(({ value, count }) => value !== "" && count > 0);
  const counts = known.map(({ count }) => count);
  const shares = known.toSorted((a, b) => b.count - a.count || (a.value < b.value ? -1 : 1)).slice(0, SHOWN);
  if (dimension === "year") shares.sort((a, b) => (a.value < b.value ? -1 : 1));
  return {
    shares,
    more: known.length - shares.length,
    beyond: counts.reduce((sum, n) => sum + n, 0) - shares.reduce((sum, one) => sum + one.count, 0),
    unknown: counted.find(({ value }) => value === "")?.count ?? 0,
    like: hill(counts, 1),
    alike: simpson(counts),
  };
}
