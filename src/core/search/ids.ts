/*
 * Ids (UUIDs, RFC 9562) as four whole numbers of 32 bits each, the first one the highest, in one array after another:
 * tens of thousands are compared and put together without making a string of each.
 */

/** Numbers of an id. */
export const WORDS = 4;

/**
 * Below zero when the id at place `i` of `a` comes before the one at `j` of `b`, zero when they are the same.
 * @param a ids, four words each
 * @param i which of `a`, counted from 0
 * @param b ids, four words each
 * @param j which of `b`, counted from 0
 */
export function compareIds(a: Uint32Array, i: number, b: Uint32Array, j: number): number {
  // Written out: it is what searching in long lists consists of.
  const from = i * WORDS;
  const other = j * WORDS;
  return (
    a[from]! - b[other]! ||
    a[from + 1]! - b[other + 1]! ||
    a[from + 2]! - b[other + 2]! ||
    a[from + 3]! - b[other + 3]!
  );
}

/**
 * Puts the id at place `j` of `from` at place `i` of `to`.
 * @param to list of ids, four numbers each
 */
export function copyId(to: Uint32Array, i: number, from: Uint32Array, j: number): void {
  const at = i * WORDS;
  const there = j * WORDS;
  to[at] = from[there]!;
  to[at + 1] = from[there + 1]!;
  to[at + 2] = from[there + 2]!;
  to[at + 3] = from[there + 3]!;
}

/** The numbers of an id. @param id as 8-4-4-4-12 hexadecimal digits */
export function numbersOf(id: string): [number, number, number, number] {
  const digits = (from: number, to: number) => parseInt(id.slice(from, to), 16);
  return [
    digits(0, 8),
    digits(9, 13) * 0x1_00_00 + digits(14, 18),
    digits(19, 23) * 0x1_00_00 + digits(24, 28),
    digits(28, 36),
  ];
}

/**
 * The id at place `i`, as 8-4-4-4-12 hexadecimal digits.
 * @param ids ids, four words each
 * @param i which of them, counted from 0
 */
export function idAt(ids: Uint32Array, i: number): string {
  const at = i * WORDS;
  const [a, b, c, d] = [ids[at]!, ids[at + 1]!, ids[at + 2]!, ids[at + 3]!];
  return `${high(a)}${low(a)}-${high(b)}-${low(b)}-${high(c)}-${low(c)}${high(d)}${low(d)}`;
}
/** A byte as two digits, looked up: a search writes thousands of ids, in a third of the time of writing each number. */
const BYTE = Array.from({ length: 256 }, (_, byte) => byte.toString(16).padStart(2, "0"));
const high = (word: number) => BYTE[word >>> 24]! + BYTE[(word >>> 16) & 255]!;
const low = (word: number) => BYTE[(word >>> 8) & 255]! + BYTE[word & 255]!;
