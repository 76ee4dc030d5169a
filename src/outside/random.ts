import { randomBytes } from "node:crypto";
import { shareCode } from "@/core/share/code";
import { uuidV7 } from "@/core/id/uuid-v7";

/** A new id, in order of time. */
export const newId = (): string => uuidV7(Date.now(), randomBytes(10));
/** A new code for the address of a shared collection. */
export const newShareCode = (): string => shareCode(randomBytes(64));
/** A secret for tokens and invitations: 192 bits, safe in an address. */
export const newSecret = (): string => randomBytes(24).toString("base64url");
