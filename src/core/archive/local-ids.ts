/**
 * Ids as they stand in an archive: UUIDs of version 8 (RFC 9562, 5.8), by which nothing outside of it can be meant.
 * `8000` and a count: a row of the archive. `8001` and a count: a person, of whom 0 is who took it. `8002`: the team.
 * `8003` and a hash: something that is not in it.
 */
const FORM = /^00000000-0000-8000-800([0-3])-([\da-f]{12})$/;
const ANY = /[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}/gi;

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

/** A text with every UUID in it exchanged. */
export const exchangeIds = (text: string, exchange: (id: string) => string): string =>
  text.replace(ANY, (id) => exchange(id.toLowerCase()));

const WIDTH = 16;
const bytesOf = (id: string): Uint8Array => {
  const hex = id.replaceAll("-", "");
  const bytes = new Uint8Array(WIDTH);
  for (let i = 0; i < WIDTH; i++) bytes[i] = parseInt(hex.slice(2 * i, 2 * i + 2), 16);
  return bytes;
};

/**
 * Numbers the ids of an archive by their order, in 16 bytes each: a million of them are 16 MB, where a map would take ten
 * times as much.
 */
export class IdBook {
  #bytes = new Uint8Array(WIDTH * 1024);
  #count = 0;
  #isSorted = true;

  add(id: string): void {
    if ((this.#count + 1) * WIDTH > this.#bytes.length) {
      const wider = new Uint8Array(this.#bytes.length * 2);
      wider.set(this.#bytes);
      this.#bytes = wider;
    }
    this.#bytes.set(bytesOf(id), this.#count++ * WIDTH);
    this.#isSorted = false;
  }

  get size(): number {
    return this.#count;
  }

  /** Which one it is in the order of all; null when it is none of them. */
  numberOf(id: string): number | null {
    if (!this.#isSorted) this.#sort();
    const wanted = bytesOf(id);
    let [low, high] = [0, this.#count - 1];
    while (low <= high) {
      const middle = (low + high) >> 1;
      const order = this.#compare(middle, wanted);
      if (order === 0) return middle;
      if (order < 0) low = middle + 1;
      else high = middle - 1;
    }
    return null;
  }

  #compare(at: number, wanted: Uint8Array): number {
    const from = at * WIDTH;
    for (let i = 0; i < WIDTH; i++) {
      const difference = this.#bytes[from + i]! - wanted[i]!;
      if (difference) return difference;
    }
    return 0;
  }

  /** By their bytes, each once. */
  #sort(): void {
    const bytes = this.#bytes;
    const order = Uint32Array.from({ length: this.#count }, (_, i) => i).sort((a, b) => {
      for (let i = 0; i < WIDTH; i++) {
        const difference = bytes[a * WIDTH + i]! - bytes[b * WIDTH + i]!;
        if (difference) return difference;
      }
      return 0;
    });
    const sorted = new Uint8Array(bytes.length);
    let count = 0;
    for (const at of order) {
      const one = bytes.subarray(at * WIDTH, (at + 1) * WIDTH);
      const before = count > 0 && sorted.subarray((count - 1) * WIDTH, count * WIDTH);
      if (before && before.every((byte, i) => byte === one[i])) continue;
      sorted.set(one, count++ * WIDTH);
    }
    this.#bytes = sorted;
    this.#count = count;
    this.#isSorted = true;
  }
}
