import pino from "pino";

/** The log of the process: one line of JSON an event, to standard output. */
export const log = pino({ level: process.env.HOBBIN_LOG || "info", base: undefined });
