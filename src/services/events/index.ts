import { listen } from "./listen";
import { readRecent } from "./recent";

/** What people can do, by name. */
export const actions = {
  "events.listen": listen,
  "events.recent": readRecent,
};
