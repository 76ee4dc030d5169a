import { compareIds, copyId, idAt, numbersOf, WORDS } from "./ids";

/** Bytes of a posting: its id and its weight. */
const BYTES = WORDS * 4 + 2;

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

  /** @param packs what `pack` gave, in any order, none reaching into another */
  static read(packs: readonly Uint8Array[]): Postings {
    const parts = packs.filter((pack) => pack.length).map((pack) => Postings.unpack(pack));
    if (parts.length === 1) return parts[0]!;
    parts.sort((a, b) => compareIds(a.ids, 0, b.ids, 0));
    const length = parts.reduce((sum, part) => sum + part.length, 0);
    const all = new Postings(new Uint32Array(length * WORDS), new Uint16Array(length));
    let at = 0;
    for (const part of parts) {
      all.ids.set(part.ids, at * WORDS);
      all.weights.set(part.weights, at);
      at += part.length;
    }
    return all;
  }

  private static unpack(pack: Uint8Array): Postings {
    const length = Math.floor(pack.length / BYTES);
    const part = new Postings(new Uint32Array(length * WORDS), new Uint16Array(length));
    // Copied, because what comes from outside may begin where no number can.
    bytesOf(part.ids).set(pack.subarray(0, part.ids.byteLength));
    bytesOf(part.weights).set(pack.subarray(part.ids.byteLength, length * BYTES));
    return part;
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
    if (!this.length && changes.weights.every(Boolean)) return changes;
    const most = this.length + changes.length;
    const [ids, weights] = [new Uint32Array(most * WORDS), new Uint16Array(most)];
    let n = 0;
    const take = (from: Postings, i: number) => {
      if (!from.weights[i]) return;
      copyId(ids, n, from.ids, i);
      weights[n++] = from.weights[i]!;
    };
    let i = 0;
    for (let j = 0; j < changes.length; j++) {
      while (i < this.length && compareIds(this.ids, i, changes.ids, j) < 0) take(this, i++);
      if (i < this.length && compareIds(this.ids, i, changes.ids, j) === 0) i++;
      take(changes, j);
    }
    while (i < this.length) take(this, i++);
    return new Postings(ids.slice(0, n * WORDS), weights.slice(0, n));
  }

  has(resource: string): boolean {
    const at = this.placeOf(resource);
    return at < this.length && this.resourceAt(at) === resource;
  }

  /** How many come before a resource. */
  placeOf(resource: string): number {
    const id = Uint32Array.from(numbersOf(resource));
    let [low, high] = [0, this.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (compareIds(this.ids, middle, id, 0) < 0) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}

const bytesOf = (numbers: Uint32Array | Uint16Array) =>
  new Uint8Array(numbers.buffer, numbers.byteOffset, numbers.byteLength);
