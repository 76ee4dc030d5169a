import { type Fact, lengthOf } from "./facets";

/** By what the resources of a team are counted; `tagged` is the month in which a tag was put on. */
export type Facet = "kind" | "site" | "person" | "month" | "length" | "tag" | "tagged" | "state";

/** How often one resource counts, by facet and value, as in "kind page" or "tagged 2026-03". */
export type Counted = ReadonlyMap<string, number>;

/** What is counted of a resource that is not in the bin. @param tags its tags by id, with the month of each */
export function countedOf(fact: Fact, tags: readonly (readonly [tag: string, month: string])[]): Counted {
  const counted = new Map<string, number>();
  const count = (facet: Facet, value: string | null) => {
    if (!value) return;
    const key = `${facet} ${value}`;
    counted.set(key, (counted.get(key) ?? 0) + 1);
  };
  count("kind", fact.kind);
  count("site", fact.site);
  count("person", fact.person);
  count("month", fact.month);
  if (fact.minutes !== null) count("length", String(lengthOf(fact.minutes)));
  for (const [state, is] of Object.entries(fact.states)) if (is) count("state", state);
  for (const [tag, month] of tags) {
    count("tag", tag);
    count("tagged", month);
  }
  return counted;
}

/** As it is kept with the resource: a line each, with how often when that is not once. */
export const writeCounted = (counted: Counted): string =>
  [...counted].map(([key, n]) => (n === 1 ? key : `${key} ${n}`)).join("\n");

/** Reads what `writeCounted` wrote. */
export const readCounted = (lines: string): Counted =>
  new Map(
    lines
      .split("\n")
      .filter(Boolean)
      .map((line) => {
        const [facet, value, n] = line.split(" ");
        return [`${facet} ${value}`, Number(n ?? 1)];
      }),
  );

/** By how much a count of a team is another one. */
export type Difference = { facet: Facet; value: string; by: number };

/**
 * What changes in the counts of a team when these resources are other ones.
 * @param changes of each what was counted of it, and what is to be
 * @returns without what stays, in the order of their keys
 */
export function differences(changes: readonly { counted: Counted; now: Counted }[]): Difference[] {
  const sums = new Map<string, number>();
  const add = (counted: Counted, sign: 1 | -1) => {
    for (const [key, n] of counted) sums.set(key, (sums.get(key) ?? 0) + sign * n);
  };
  for (const { counted, now } of changes) {
    add(now, 1);
    add(counted, -1);
  }
  return [...sums]
    .filter(([, by]) => by)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, by]) => {
      const at = key.indexOf(" ");
      return { facet: key.slice(0, at) as Facet, value: key.slice(at + 1), by };
    });
}
