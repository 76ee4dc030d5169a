import { v7 } from "uuid";

/** A new id made here, so that what is sent twice is done once and can be shown before the answer. */
export const newId = (): string => v7();
