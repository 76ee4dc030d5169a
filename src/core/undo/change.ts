/** What can be taken back: rows that people make and change, and whether a tag is on a resource or a collection. */
export type Thing =
  "collection" | "section" | "placement" | "resource" | "tagging" | "about" | "tray" | "tag";

/** Fields by name; what was not there at all is null. */
export type Fields = Record<string, unknown> | null;

/** One thing before and after a deed: only the fields the deed changed. */
export type Change = { thing: Thing; id: string; before: Fields; after: Fields };

/**
 * What takes these changes back: the same things, last first, with before and after exchanged.
 * `turned(turned(changes))` is `changes`.
 */
export function turned(changes: readonly Change[]): Change[] {
  return changes.map((change) => ({ ...change, before: change.after, after: change.before })).reverse();
}

/**
 * Those changes that can not be made now, because what they begin from is no longer so: somebody else has changed
 * the same field of the same thing since. Other fields of it do not matter.
 * @param current the fields of a thing as they are, or null when it is not there
 */
export function clashing(
  changes: readonly Change[],
  current: (thing: Thing, id: string) => Fields,
): Change[] {
  return changes.filter(({ thing, id, before }) => !holds(before, current(thing, id)));
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

/** The fields of `after`, as they were and as they became; null when nothing is different. */
export function difference(
  thing: Thing,
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
  return { thing, id, before: pick(before), after: pick(after) };
}
