import { createHash } from "node:crypto";
import { sameAddress } from "@/core/address/same-address";

/** SHA-256 as 64 hexadecimal digits: names of files, tokens at rest. */
export const sha256 = (content: string | Uint8Array): string =>
  createHash("sha256").update(content).digest("hex");

/** The same for what has no address: of the text that makes it itself (core/imports/identity). */
export const identityHash = (identity: string): string =>
  createHash("sha256").update(identity).digest("base64url");

/**
 * The key under which an address is found again: SHA-256 of its equal form, 43 letters.
 * @param address in any of its forms
 */
export const addressHash = (address: string): string =>
  createHash("sha256").update(sameAddress(address)).digest("base64url");
