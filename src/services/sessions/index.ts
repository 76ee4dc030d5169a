import { endSessions } from "./end";
import { readSessions } from "./read";

/** What people can do, by name. */
export const actions = {
  "sessions.end": endSessions,
  "sessions.read": readSessions,
};
