import { generateNKeysBetween } from "fractional-indexing";

/**
 * The longest key worth keeping. Keys grow when things are put between the same two again and again; the column
 * holds 64 characters, and at 48 the section is spread anew.
 */
export const LONGEST_KEY = 48;

export type Ordered = {
  id: string;
  position: string;
  /** It lies in the bin: its key is taken, but nothing is put behind it by name. */
  gone?: boolean;
};
/** The keys of the things placed, and of those neighbours that had to be spread anew (mostly none). */
export type PlacedMany = { positions: string[]; respread: Ordered[] };
/** The same of a single thing. */
export type Placed = { position: string; respread: Ordered[] };

/**
 * Finds the order key for a thing that is to stand right after `after` among `others`.
 * Keys are compared byte by byte; equal keys are ordered by id.
 * @param others the things already there, in order, without the one that moves
 * @param after id of the thing to stand behind; null for the first place; an id that is gone means the end, so
 *   that two people's moves at the same time both succeed
 * @example
 * const { position, respread } = placeAfter([{ id: "a", position: "a0" }], "a"); // position: "a1"
 */
export function placeAfter(others: readonly Ordered[], after: string | null): Placed {
  const { positions, respread } = placeManyAfter(others, after, 1);
  return { position: positions[0]!, respread };
}

/**
 * The same for `count` things that are to stand there one after the other.
 * @param others the things already there, in order, without those that move
 * @param after id of the thing to stand behind; null: first; gone: at the end
 * @param count how many are to stand there
 */
export function placeManyAfter(others: readonly Ordered[], after: string | null, count: number): PlacedMany {
  const found = after === null ? -1 : others.findIndex((other) => other.id === after && !other.gone);
  const index = after !== null && found === -1 ? others.length : found + 1;
  const before = others[index - 1]?.position ?? null;
  const behind = others[index]?.position ?? null;
  if (before === null || behind === null || before < behind) {
    const positions = generateNKeysBetween(before, behind, count);
    if (positions.every((position) => position.length <= LONGEST_KEY)) return { positions, respread: [] };
  }
  const keys = generateNKeysBetween(null, null, others.length + count);
  const positions = keys.splice(index, count);
  const respread = others
    .map((other, i) => ({ id: other.id, position: keys[i]! }))
    .filter((other, i) => other.position !== others[i]!.position);
  return { positions, respread };
}

/**
 * Keys for `count` things to stand behind the key `last` (null: from the start), in order.
 * @param last the key of the last one there; null when there is none
 * @param count how many keys are wanted, 1 or more
 */
export function keysAfter(last: string | null, count: number): string[] {
  return generateNKeysBetween(last, null, count);
}

/** Order of two things of one section. */
export function compareOrder(a: Ordered, b: Ordered): number {
  if (a.position !== b.position) return a.position < b.position ? -1 : 1;
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}
