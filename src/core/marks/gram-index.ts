/** So many characters together are looked for. */
const GRAM = 4;
const BUCKETS = 1 << 16;
/** What stands more often than this says nothing of where one is. */
const COMMON = 64;
/** Places nearer than this are one. */
const WIDTH = 32;

/** Where each four characters of a text stand, so that a passage that was changed is looked for in a few places only. */
export class GramIndex {
  readonly #starts: Uint32Array;
  readonly #places: Uint32Array;

  constructor(text: string) {
    const count = Math.max(0, text.length - GRAM + 1);
    this.#starts = new Uint32Array(BUCKETS + 1);
    this.#places = new Uint32Array(count);
    const keys = new Uint16Array(count);
    for (let i = 0; i < count; i++) this.#starts[(keys[i] = keyAt(text, i)) + 1]!++;
    for (let i = 0; i < BUCKETS; i++) this.#starts[i + 1]! += this.#starts[i]!;
    const next = this.#starts.slice();
    for (let i = 0; i < count; i++) this.#places[next[keys[i]!]!++] = i;
  }

  /**
   * Where a passage may begin: the places at which most of its fours, each as much as it is rare, stand where they would.
   * @returns at most `most` of them, the likeliest first
   */
  likely(passage: string, most: number): number[] {
    const votes = new Map<number, number>();
    for (let i = 0; i + GRAM <= passage.length; i++) {
      const key = keyAt(passage, i);
      const [from, to] = [this.#starts[key]!, this.#starts[key + 1]!];
      if (to - from > COMMON) continue;
      for (let at = from; at < to; at++) {
        const bucket = Math.floor((this.#places[at]! - i) / WIDTH);
        votes.set(bucket, (votes.get(bucket) ?? 0) + 1 / (to - from));
      }
    }
    const found = [...votes].map(([bucket, vote]) => [bucket, vote + (votes.get(bucket + 1) ?? 0)] as const);
    return found
      .sort((a, b) => b[1] - a[1])
      .slice(0, most)
      .map(([bucket]) => bucket * WIDTH);
  }
}

/** FNV-1a over the characters, folded to 16 bits. */
function keyAt(text: string, at: number): number {
  let hash = 0x811c9dc5;
  for (let i = at; i < at + GRAM; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return (hash ^ (hash >>> 16)) & 0xffff;
}
