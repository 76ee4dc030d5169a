/** Numbers of a signature, and how they are cut into bands: 16 bands of 4. */
const SIZE = 64;
const BANDS = 16;
const ROWS = SIZE / BANDS;
const SHINGLE = 4;
/** Texts of fewer words are alike by chance. */
const LEAST_WORDS = 40;

/**
 * The MinHash signature of a text (Broder 1997, "On the resemblance and containment of documents"): for each of 64 hash
 * functions the smallest value over all runs of four words. The share of equal numbers in two signatures estimates
 * the share of runs the two texts have in common. Null for texts too short to be compared.
 * @param text the whole text of a page
 */
export function signatureOf(text: string): Uint32Array | null {
  const words = text
    .toLowerCase()
    .normalize("NFKC")
    .match(/[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]|[\p{L}\p{N}]+/gu);
  if (!words || words.length < LEAST_WORDS) return null;
  const smallest = new Uint32Array(SIZE).fill(0xffffffff);
  const most = Math.min(words.length, 20_000) - SHINGLE;
  for (let i = 0; i <= most; i++) {
    const run = fnv(`${words[i]} ${words[i + 1]} ${words[i + 2]} ${words[i + 3]}`);
    for (let k = 0; k < SIZE; k++) {
      const value = (Math.imul(run, MULTIPLY[k]!) + ADD[k]!) >>> 0;
      if (value < smallest[k]!) smallest[k] = value;
    }
  }
  return smallest;
}

/**
 * How much two texts have in common, from 0 to 1.
 * @param a a signature
 * @param b another one, by the same hash functions
 */
export function resemblance(a: Uint32Array, b: Uint32Array): number {
  let same = 0;
  for (let i = 0; i < SIZE; i++) if (a[i] === b[i]) same++;
  return same / SIZE;
}

/** From here on two texts are likely the same one. */
export const LIKELY_SAME = 0.8;

/**
 * Keys of the 16 bands: two texts that resemble each other by 0.8 share at least one with 99.9 % likelihood.
 * @param signature what `signatureOf` computed
 */
export function bandsOf(signature: Uint32Array): string[] {
  return Array.from({ length: BANDS }, (_, band) => {
    const rows = signature.subarray(band * ROWS, (band + 1) * ROWS);
    return `${band.toString(36)}.${fnv(rows.join(",")).toString(36)}`;
  });
}

/** The signature as text, eight hexadecimal digits a number. */
export const writeSignature = (signature: Uint32Array): string =>
  Array.from(signature, (value) => value.toString(16).padStart(8, "0")).join("");

export function readSignature(text: string): Uint32Array | null {
  if (text.length !== SIZE * 8) return null;
  return Uint32Array.from({ length: SIZE }, (_, i) => parseInt(text.slice(i * 8, i * 8 + 8), 16));
}

/** FNV-1a, 32 bits, with a last mix so that its high bits are as good as its low ones. */
function fnv(text: string): number {
  let hash = 2166136261;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 16777619);
  hash ^= hash >>> 16;
  hash = Math.imul(hash, 0x85ebca6b);
  return (hash ^ (hash >>> 13)) >>> 0;
}

/** Odd multipliers and addends of the 64 functions, always the same, by a linear congruence. */
const [MULTIPLY, ADD] = (() => {
  let state = 0x9e3779b9;
  const next = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0);
  return [Uint32Array.from({ length: SIZE }, () => next() | 1), Uint32Array.from({ length: SIZE }, next)];
})() as [Uint32Array, Uint32Array];
