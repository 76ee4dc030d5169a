/**
 * A UUID of version 7: 48 bits of Unix time in milliseconds, then random bits, so that ids sort by the time
 * they were made. Layout: RFC 9562 §5.7.
 * @param now milliseconds since 1970
 * @param random ten random bytes
 */
export function uuidV7(now: number, random: Uint8Array): string {
  const bytes = new Uint8Array(16);
  let rest = now;
  for (let i = 5; i >= 0; i--) {
    bytes[i] = rest % 256;
    rest = Math.floor(rest / 256);
  }
  bytes.set(random.subarray(0, 10), 6);
  bytes[6] = (bytes[6]! & 0x0f) | 0x70; // version
  bytes[8] = (bytes[8]! & 0x3f) | 0x80; // variant
  const hex = Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}
