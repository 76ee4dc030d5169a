import { uuidV7 } from "@/core/id/uuid-v7";

/** A new id made here, so that what is sent twice is done once and can be shown before the answer. */
export const newId = (): string => uuidV7(Date.now(), crypto.getRandomValues(new Uint8Array(10)));
