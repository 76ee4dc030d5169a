/** How many there are of a value; `words` is what people read. */
export type Count = { value: string; words: string; count: number };

/** By what resources can be narrowed, with how many there are of each. */
export type Facets = {
  kinds: Count[];
  sites: Count[];
  tags: Count[];
  people: Count[];
  /** As 2026-03, the newest first. */
  months: Count[];
  /** As the length: filter takes them. */
  lengths: Count[];
  states: Count[];
};

/** Upper ends of the classes of length, in minutes; the last class is open. */
export const LENGTHS = [5, 15, 30, 60] as const;

/** A class of length by its number, as the length: filter takes it and as people read it. */
export function lengthClass(i: number, count: number): Count {
  const from = i === 0 ? 0 : LENGTHS[i - 1]! + 1;
  const to = LENGTHS[i];
  return to === undefined
    ? { value: `>${from}`, words: `over ${from - 1} min`, count }
    : { value: `${from}..${to}`, words: i === 0 ? `up to ${to} min` : `${from} to ${to} min`, count };
}
