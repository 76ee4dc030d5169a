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

/**
 * A class of length by its number, as the length: filter takes it and as people read it.
 * @param i the class, counted from 0
 * @param count how many resources are in it
 */
export function lengthClass(i: number, count: number): Count {
  const from = i === 0 ? 0 : LENGTHS[i - 1]! + 1;
  const to = LENGTHS[i];
  return to === undefined
    ? { value: `>${from - 1}`, words: `over ${from - 1} min`, count }
    : { value: `${from}-${to}`, words: i === 0 ? `up to ${to} min` : `${from} to ${to} min`, count };
}

/** What of a resource is counted, but its tags. */
export type Fact = {
  kind: string;
  /** Empty without an address. */
  site: string;
  /** Who brought it in. */
  person: string;
  /** As 2026-03. */
  month: string;
  minutes: number | null;
  states: Record<string, boolean>;
};

/** Of each list at most so many, the most used. */
export const MOST = { kinds: 50, sites: 60, tags: 60, people: 50, months: 36 } as const;

/** How many there are of each fact. @param states names of all states, also of those nobody is in */
export function countFacts(facts: readonly Fact[], states: readonly string[]): Omit<Facets, "tags"> {
  const lengths = new Map<number, number>();
  for (const { minutes } of facts)
    if (minutes !== null) lengths.set(lengthOf(minutes), (lengths.get(lengthOf(minutes)) ?? 0) + 1);
  return {
    kinds: tally(facts, (one) => one.kind, MOST.kinds),
    sites: tally(facts, (one) => one.site, MOST.sites),
    people: tally(facts, (one) => one.person, MOST.people),
    // The months with the most, the newest of them first.
    months: tally(facts, (one) => one.month, MOST.months).sort((a, b) => (a.value < b.value ? 1 : -1)),
    lengths: [...lengths].sort(([a], [b]) => a - b).map(([i, count]) => lengthClass(i, count)),
    states: states.map((value) => ({
      value,
      words: value,
      count: facts.reduce((sum, one) => sum + Number(one.states[value]), 0),
    })),
  };
}

/** The number of the class that so many minutes are in, as `lengthClass` takes it. */
export function lengthOf(minutes: number): number {
  const i = LENGTHS.findIndex((most) => minutes <= most);
  return i < 0 ? LENGTHS.length : i;
}

function tally(facts: readonly Fact[], value: (fact: Fact) => string, most: number): Count[] {
  const counts = new Map<string, number>();
  for (const fact of facts) counts.set(value(fact), (counts.get(value(fact)) ?? 0) + 1);
  return [...counts]
    .filter(([value]) => value)
    .map(([value, count]) => ({ value, words: value, count }))
    .sort((a, b) => b.count - a.count || (a.value < b.value ? -1 : 1))
    .slice(0, most);
}
