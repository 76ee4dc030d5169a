import { readLog } from "./read";
import { takeLog } from "./take";

/** What people can do, by name. */
export const actions = {
  "log.read": readLog,
  "log.take": takeLog,
};
