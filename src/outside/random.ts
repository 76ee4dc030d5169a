import { randomBytes, randomInt } from "node:crypto";
import { shareCode } from "@/core/share/code";
import { uuidV7 } from "@/core/id/uuid-v7";

let lastTime = 0;
let count = 0;

/**
 * A new id, in order of time; within one process strictly so. Ids of the same millisecond count up in the 12 bits
 * after the time (RFC 9562 §6.2, method 1), beginning low so that there is room.
 */
export function newId(): string {
  const random = randomBytes(10);
  const now = Date.now();
  if (now > lastTime) {
    lastTime = now;
    count = random.readUInt16BE(0) & 0x3ff;
  } else if (++count > 0xfff) {
    lastTime++;
    count = 0;
  }
  random.writeUInt16BE(count, 0);
  return uuidV7(lastTime, random);
}
/** A whole number from 0, below `count`. */
export const anyBelow = (count: number): number => randomInt(count);
/** A new code for the address of a shared collection. */
export const newShareCode = (): string => shareCode(randomBytes(64));
/** A secret for tokens and invitations: 192 bits, safe in an address. */
export const newSecret = (): string => randomBytes(24).toString("base64url");
/** A code nobody guesses in which case does not matter: 96 bits as hexadecimal digits. */
export const newCode = (): string => randomBytes(12).toString("hex");
