import pino from "pino";
import { requestId } from "./request-context";

// A wrong level is told by the check of the settings; here it must not stop the process before that.
const level = /^(debug|info|warn|error|silent)$/.test(process.env.HOBBIN_LOG ?? "")
  ? process.env.HOBBIN_LOG!
  : "info";

/** The longest text of an error that is logged, in characters. */
const LONGEST = 500;

/**
 * An error as it is logged. The message of a statement that failed holds what it was sent with: what people wrote, tokens
 * of sessions. So it ends where that begins; the database's own words are kept.
 */
export function loggedError(error: unknown): unknown {
  if (!(error instanceof Error)) return String(error).slice(0, LONGEST);
  const { code, errno, cause } = error as Error & { code?: unknown; errno?: unknown };
  return {
    type: error.name,
    message: withoutValues(error.message),
    ...(code !== undefined && { code }),
    ...(errno !== undefined && { errno }),
    stack: error.stack
      ?.split("\n")
      .filter((line) => /^\s+at /.test(line))
      .join("\n"),
    ...(cause !== undefined && { cause: loggedError(cause) }),
  };
}

/** Drizzle's words for a failed statement go on with its values; MariaDB's name the value that was wrong. */
const withoutValues = (message: string) =>
  message
    .replace(/\nparams:[\s\S]*$/, "")
    .replace(
      /(Duplicate entry|Incorrect \w+ value:?|Data truncat\w+ .*?:) '[\s\S]*?'(?= for | at |$)/g,
      "$1 '…'",
    )
    .slice(0, LONGEST);

/** The log of the process: one line of JSON an event, to standard output, with the id of the request it is for. */
export const log = pino({
  level,
  base: undefined,
  serializers: { err: loggedError },
  mixin: () => {
    const request = requestId();
    return request ? { request } : {};
  },
});
