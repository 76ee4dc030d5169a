/**
 * The kinds of things whose changes can be taken back: rows that people make and change, and the links that say whether
 * a tag is on a resource or on a collection.
 */
export const ENTITY_TYPES = [
  "collection",
  "section",
  "placement",
  "resource",
  "resourceTag",
  "collectionTag",
  "trayEntry",
  "copiedText",
  "tag",
  "mark",
  "ownMark",
  "comment",
  "group",
  "learner",
  "handout",
  "suggestion",
  "criteria",
  "appraisal",
  "agreed",
  "round",
  "outcome",
  "serves",
  "searchRecord",
  "wish",
] as const;
export type EntityType = (typeof ENTITY_TYPES)[number];

/** Fields by name. Null stands for what is not there at all. */
export type Fields = Record<string, unknown> | null;

/**
 * One thing before and after an action, with only the fields the action changed. What can lie in the bin has the field
 * `gone`; a link has the field `on`. The id of a link is the two ids it connects, with `~` between them.
 */
export type Change = { type: EntityType; id: string; before: Fields; after: Fields };

/**
 * The changes that take these back: the same things, last first, with before and after exchanged.
 * `inverted(inverted(changes))` equals `changes`.
 * @param changes in the order in which they were made
 * @returns in the order in which they have to be made
 */
export function inverted(changes: readonly Change[]): Change[] {
  return changes.map((change) => ({ ...change, before: change.after, after: change.before })).reverse();
}

/**
 * The changes that cannot be made now, because what they begin from no longer holds: somebody else has changed the same
 * field of the same thing since. Its other fields do not matter.
 * @param changes what somebody wants to make
 * @param current the fields of a thing as they are now, or null when it is not there
 * @returns those of them that conflict; empty when all can be made
 */
export function conflicting(
  changes: readonly Change[],
  current: (type: EntityType, id: string) => Fields,
): Change[] {
  return changes.filter(({ type, id, before }) => !holds(before, current(type, id)));
}

function holds(expected: Fields, found: Fields): boolean {
  if (expected === null || found === null) return expected === found;
  return Object.entries(expected).every(([name, value]) => same(value, found[name]));
}

/** Equal as JSON, whatever the order of names. */
function same(a: unknown, b: unknown): boolean {
  return (JSON.stringify(sorted(a)) ?? "null") === (JSON.stringify(sorted(b)) ?? "null");
}

function sorted(value: unknown): unknown {
  if (value instanceof Date) return value.toISOString();
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== "object") return value ?? null;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, one]) => [key, sorted(one)]),
  );
}

/**
 * What changes when fields of a thing get other values.
 * @param before the thing as it is, with at least the fields that change
 * @param after the new values; undefined ones are left out
 * @returns the change, with only the fields that really differ; null when none does
 * @example
 * difference("section", "s", { title: "Peat", intro: "" }, { title: "Fire", intro: "" });
 * // { type: "section", id: "s", before: { title: "Peat" }, after: { title: "Fire" } }
 */
export function difference(
  type: EntityType,
  id: string,
  before: Record<string, unknown>,
  after: Record<string, unknown>,
): Change | null {
  const names = Object.keys(after).filter(
    (name) => after[name] !== undefined && !same(before[name], after[name]),
  );
  if (!names.length) return null;
  const pick = (from: Record<string, unknown>) =>
    Object.fromEntries(names.map((name) => [name, from[name] ?? null]));
  return { type, id, before: pick(before), after: pick(after) };
}
