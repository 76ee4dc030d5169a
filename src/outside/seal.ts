import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from "node:crypto";
import { settings } from "./settings";

/** AES-256 in Galois/Counter Mode (NIST SP 800-38D): 12 bytes of nonce, 16 of the tag that shows a change. */
const METHOD = "aes-256-gcm";
const NONCE = 12;
const TAG = 16;

const key = () => new Uint8Array(hkdfSync("sha256", settings().secret, "", "hobbin sealed", 32));

/**
 * Seals words that open doors, such as the link in a letter, for as long as they lie in the database.
 * @returns base64, which only who has HOBBIN_SECRET can open
 */
export function seal(words: string): string {
  const nonce = randomBytes(NONCE);
  const cipher = createCipheriv(METHOD, key(), nonce);
  const sealed = Buffer.concat([cipher.update(words, "utf8"), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), sealed]).toString("base64");
}

/**
 * The words that were sealed.
 * @throws when it was sealed with another secret, or changed since
 */
export function unseal(sealed: string): string {
  const bytes = Buffer.from(sealed, "base64");
  const opening = createDecipheriv(METHOD, key(), bytes.subarray(0, NONCE));
  opening.setAuthTag(bytes.subarray(NONCE, NONCE + TAG));
  return Buffer.concat([opening.update(bytes.subarray(NONCE + TAG)), opening.final()]).toString("utf8");
}
