import { compareIds, copyId, idAt, numbersOf, WORDS } from "./ids";

const ID_BYTES = WORDS * 4;
/** Bytes of a posting: its id and its weight. */
const BYTES = ID_BYTES + 2;

/**
 * In which resources a term stands, and how heavily: the list of a term in the inverted index. It is sorted by id, which
 * for ids of version 7 is by age.
 */
export class Postings {
  static readonly NONE = new Postings(new Uint32Array(0), new Uint16Array(0));

  private constructor(
    readonly ids: Uint32Array,
    readonly weights: Uint16Array,
  ) {}

  /**
   * @param rows each resource once, in any order; weights from 0 to 65,535
   * @param numbers of an id; who makes many lists of the same resources remembers them
   */
  static of(rows: readonly { resource: string; weight: number }[], numbers = numbersOf): Postings {
    const sorted = rows.length > 1 ? rows.toSorted((a, b) => (a.resource < b.resource ? -1 : 1)) : rows;
    const made = new Postings(new Uint32Array(sorted.length * WORDS), new Uint16Array(sorted.length));
    sorted.forEach(({ resource, weight }, i) => {
      made.ids.set(numbers(resource), i * WORDS);
      made.weights[i] = weight;
    });
    return made;
  }

  /** Resources that weigh nothing, each once, in any order. */
  static unweighted(resources: readonly string[]): Postings {
    return Postings.of(resources.map((resource) => ({ resource, weight: 0 })));
  }

  /** @param packs what `pack` gave, in any order, none reaching into another */
  static read(packs: readonly Uint8Array[]): Postings {
    const length = packs.reduce((sum, pack) => sum + Math.floor(pack.length / BYTES), 0);
    const all = new Postings(new Uint32Array(length * WORDS), new Uint16Array(length));
    const [ids, weights] = [bytesOf(all.ids), bytesOf(all.weights)];
    let at = 0;
    for (const pack of inOrder(packs)) {
      // Copied, because what comes from outside may begin where no number can.
      const n = Math.floor(pack.length / BYTES);
      ids.set(pack.subarray(0, n * ID_BYTES), at * ID_BYTES);
      weights.set(pack.subarray(n * ID_BYTES, n * BYTES), at * 2);
      at += n;
    }
    return all;
  }

  /** All ids, then all weights, with the lowest byte of each number first, as all usual processors have them. */
  pack(): Uint8Array {
    const bytes = new Uint8Array(this.length * BYTES);
    bytes.set(bytesOf(this.ids));
    bytes.set(bytesOf(this.weights), this.ids.byteLength);
    return bytes;
  }

  get length(): number {
    return this.weights.length;
  }

  /** Bytes of memory they take. */
  get bytes(): number {
    return this.ids.byteLength + this.weights.byteLength;
  }

  resourceAt(i: number): string {
    return idAt(this.ids, i);
  }

  slice(from: number, to: number): Postings {
    if (from === 0 && to === this.length) return this;
    return new Postings(this.ids.slice(from * WORDS, to * WORDS), this.weights.slice(from, to));
  }

  /** These after some changes: a changed resource has the changed weight, and with weight 0 it is gone. */
  with(changes: Postings): Postings {
    if (!changes.length) return this;
    const most = this.length + changes.length;
    const [ids, weights] = [new Uint32Array(most * WORDS), new Uint16Array(most)];
    let n = 0;
    let i = 0;
    /** What stays as it is is copied in one piece, up to the next change. */
    const keep = (to: number) => {
      ids.set(this.ids.subarray(i * WORDS, to * WORDS), n * WORDS);
      weights.set(this.weights.subarray(i, to), n);
      n += to - i;
      i = to;
    };
    for (let j = 0; j < changes.length; j++) {
      keep(this.upTo(changes.ids, j, i));
      if (i < this.length && compareIds(this.ids, i, changes.ids, j) === 0) i++;
      if (!changes.weights[j]) continue;
      copyId(ids, n, changes.ids, j);
      weights[n++] = changes.weights[j]!;
    }
    keep(this.length);
    return new Postings(ids.subarray(0, n * WORDS), weights.subarray(0, n));
  }

  has(resource: string): boolean {
    const at = this.placeOf(resource);
    return at < this.length && this.resourceAt(at) === resource;
  }

  /** Which of these are in it, by their places among them. */
  whichOf(others: Postings): number[] {
    const found: number[] = [];
    let at = 0;
    for (let j = 0; j < others.length && at < this.length; j++) {
      at = this.upTo(others.ids, j, at);
      if (at < this.length && compareIds(this.ids, at, others.ids, j) === 0) found.push(j);
    }
    return found;
  }

  /** How many come before a resource. */
  placeOf(resource: string): number {
    return this.upTo(Uint32Array.from(numbersOf(resource)), 0, 0);
  }

  /** How many come before the id at place `j` of `ids`, when that is at `from` or behind it. */
  private upTo(ids: Uint32Array, j: number, from: number): number {
    let [low, high] = [from, this.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (compareIds(this.ids, middle, ids, j) < 0) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}

/** Packs in the order of their first ids; mostly they come in it. */
function inOrder(packs: readonly Uint8Array[]): readonly Uint8Array[] {
  if (packs.length < 2) return packs;
  const firsts = packs.map((pack) => {
    const first = new Uint32Array(WORDS);
    bytesOf(first).set(pack.subarray(0, ID_BYTES));
    return first;
  });
  const isAfter = (i: number) => !i || compareIds(firsts[i - 1]!, 0, firsts[i]!, 0) < 0;
  if (firsts.every((_, i) => isAfter(i))) return packs;
  const order = packs.map((_, i) => i).sort((a, b) => compareIds(firsts[a]!, 0, firsts[b]!, 0));
  return order.map((i) => packs[i]!);
}

const bytesOf = (numbers: Uint32Array | Uint16Array) =>
  new Uint8Array(numbers.buffer, numbers.byteOffset, numbers.byteLength);
