/**
 * Ids as they stand in an archive: UUIDs of version 8 (RFC 9562, 5.8), by which nothing outside of it can be meant.
 * `8000` and a count: a row of the archive. `8001` and a count: a person, of whom 0 is who took it. `8002`: the team.
 * `8003` and a hash: something that is not in it.
 */
const FORM = /^00000000-0000-8000-800([0-3])-([\da-f]{12})$/;
/** An id is all of a text, or leads to a file; what stands in words people wrote is none of ours. */
const IN_JSON = /(?<="|\/api\/file\/)[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}(?=")/gi;

export type LocalKind = "row" | "person" | "team" | "other";
const KINDS: readonly LocalKind[] = ["row", "person", "team", "other"];

/** The id in an archive of what is counted so. */
export const localId = (kind: LocalKind, count: number | string): string =>
  `00000000-0000-8000-800${KINDS.indexOf(kind)}-${typeof count === "number" ? count.toString(16).padStart(12, "0") : count}`;

/** What an id of an archive stands for; null for one that was never in one. */
export function readLocalId(id: string): { kind: LocalKind; count: string } | null {
  const [, kind, count] = FORM.exec(id.toLowerCase()) ?? [];
  return kind ? { kind: KINDS[Number(kind)]!, count: count! } : null;
}

/** JSON with every id in it exchanged. */
export const exchangeIds = (json: string, exchange: (id: string) => string): string =>
  json.replace(IN_JSON, (id) => exchange(id.toLowerCase()));

/** An id as four numbers of 32 bits, which are compared sooner than 36 letters. */
const WIDTH = 4;
const HYPHEN = 45;
/** Letter by letter: to cut pieces of text out of millions of ids would take longer than to find them. */
function readNumbers(id: string, into: Uint32Array): void {
  let at = 0;
  for (let part = 0; part < WIDTH; part++) {
    let number = 0;
    for (let digits = 0; digits < 8; at++) {
      const letter = id.charCodeAt(at);
      if (letter === HYPHEN) continue;
      // 0 to 9, and a to f in either case.
      number = (number << 4) | (letter <= 57 ? letter - 48 : (letter | 32) - 87);
      digits++;
    }
    into[part] = number;
  }
}

/**
 * Numbers the ids of an archive by their order, in 16 bytes each: a million of them are 16 MB, where a map would take ten
 * times as much.
 */
export class IdBook {
  #numbers = new Uint32Array(WIDTH * 1024);
  /** The one that is asked for or added. */
  readonly #asked = new Uint32Array(WIDTH);
  #count = 0;
  #isSorted = true;
  /** Which was found last: rows come in the order of their ids, so that the next one is often the next. */
  #last = 0;

  add(id: string): void {
    if ((this.#count + 1) * WIDTH > this.#numbers.length) {
      const wider = new Uint32Array(this.#numbers.length * 2);
      wider.set(this.#numbers);
      this.#numbers = wider;
    }
    readNumbers(id, this.#asked);
    this.#numbers.set(this.#asked, this.#count++ * WIDTH);
    this.#isSorted = false;
  }

  get size(): number {
    return this.#count;
  }

  /** Which one it is in the order of all; null when it is none of them. */
  numberOf(id: string): number | null {
    if (!this.#isSorted) this.#sort();
    const asked = this.#asked;
    readNumbers(id, asked);
    const [a, b, c, d] = [asked[0]!, asked[1]!, asked[2]!, asked[3]!];
    const all = this.#numbers;
    const next = (this.#last + 1) * WIDTH;
    if (
      this.#last + 1 < this.#count &&
      all[next + 3] === d &&
      all[next + 2] === c &&
      all[next + 1] === b &&
      all[next] === a
    )
      return ++this.#last;
    let [low, high] = [0, this.#count - 1];
    while (low <= high) {
      const middle = (low + high) >> 1;
      const at = middle * WIDTH;
      const order = all[at]! - a || all[at + 1]! - b || all[at + 2]! - c || all[at + 3]! - d;
      if (order === 0) return (this.#last = middle);
      if (order < 0) low = middle + 1;
      else high = middle - 1;
    }
    return null;
  }

  /** By their order, each once. */
  #sort(): void {
    const all = this.#numbers;
    const compare = (one: number, other: number): number => {
      const [a, b] = [one * WIDTH, other * WIDTH];
      return (
        all[a]! - all[b]! ||
        all[a + 1]! - all[b + 1]! ||
        all[a + 2]! - all[b + 2]! ||
        all[a + 3]! - all[b + 3]!
      );
    };
    const order = inOrder(this.#count, compare);
    const sorted = new Uint32Array(all.length);
    let count = 0;
    let last = -1;
    for (const one of order) {
      if (last >= 0 && compare(last, one) === 0) continue;
      sorted.set(all.subarray(one * WIDTH, (one + 1) * WIDTH), count++ * WIDTH);
      last = one;
    }
    this.#numbers = sorted;
    this.#count = count;
    this.#isSorted = true;
    this.#last = 0;
  }
}

/**
 * The places of what comes as a few runs that are each in order, as the ids of table after table do, in the order of all:
 * each run is found and merged with its neighbour, and these again (natural merge sort: Knuth, The Art of Computer
 * Programming 3, 5.2.4).
 */
function inOrder(count: number, compare: (one: number, other: number) => number): Uint32Array {
  let places = Uint32Array.from({ length: count }, (_, i) => i);
  let ends: number[] = [];
  for (let i = 1; i <= count; i++) if (i === count || compare(i - 1, i) > 0) ends.push(i);
  while (ends.length > 1) {
    const merged = new Uint32Array(count);
    const longer: number[] = [];
    for (let run = 0; run < ends.length; run += 2) {
      const [from, middle, to] = [ends[run - 1] ?? 0, ends[run]!, ends[run + 1] ?? ends[run]!];
      for (let at = from, one = from, other = middle; at < to; at++) {
        const isFirst = one < middle && (other === to || compare(places[one]!, places[other]!) <= 0);
        merged[at] = places[isFirst ? one++ : other++]!;
      }
      longer.push(to);
    }
    places = merged;
    ends = longer;
  }
  return places;
}
