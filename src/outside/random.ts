import { randomBytes, randomInt } from "node:crypto";
import { v7 } from "uuid";
import { isSet, now } from "./clock";
import { shareCode } from "@/core/share/code";
import { shortCode } from "@/core/share/short-code";

let made = 0;
/** A new id: a UUID of version 7 (RFC 9562 § 5.7), in order of time; within one process strictly so. */
export const newId = (): string => (isSet() ? v7({ msecs: now().getTime(), seq: ++made }) : v7());
/**
 * A whole number from 0, below `count`.
 * @param count 1 or more
 */
export const anyBelow = (count: number): number => randomInt(count);
/** A new code for the address of a shared collection. */
export const newShareCode = (): string => shareCode(randomBytes(64));
/** A new code to be typed or read aloud. */
export const newShortCode = (): string => shortCode(randomBytes(256));
/** A secret for tokens and invitations: 192 bits, safe in an address. */
export const newSecret = (): string => randomBytes(24).toString("base64url");
/** A code nobody guesses in which case does not matter: 96 bits as hexadecimal digits. */
export const newCode = (): string => randomBytes(12).toString("hex");
