/**
 * Numbers from 0 up to 1 that are the same for one seed, so that what is computed from draws is the same each time it is
 * looked at: the 32 bits of G. Marsaglia's xorshift, "Xorshift RNGs", Journal of Statistical Software 8 (2003).
 * @param seed any whole number but 0
 */
export function drawing(seed: number): () => number {
  let state = seed | 0 || 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 2 ** 32;
  };
}
