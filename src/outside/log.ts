import pino from "pino";

// A wrong level is told by the check of the settings; here it must not stop the process before that.
const level = /^(debug|info|warn|error|silent)$/.test(process.env.HOBBIN_LOG ?? "")
  ? process.env.HOBBIN_LOG!
  : "info";

/** The log of the process: one line of JSON an event, to standard output. */
export const log = pino({ level, base: undefined });
