/** No vowels, no 0 1 i l o: read aloud without doubt, and no words by chance. */
export const LETTERS = "23456789bcdfghjkmnpqrstvwxz";
const LENGTH = 16;

/**
 * The unguessable code in the address of a shared collection: 16 letters out of 27, 76 bits.
 * @param random at least 32 random bytes; bytes that would favour some letters are passed over
 */
export function shareCode(random: Uint8Array): string {
  const even = 256 - (256 % LETTERS.length);
  let code = "";
  for (const byte of random) if (byte < even && code.length < LENGTH) code += LETTERS[byte % LETTERS.length];
  if (code.length < LENGTH) throw new RangeError("not enough random bytes for a code");
  return code;
}
