import { readTray } from "./read";
import { setTrayState } from "./set";
import { setTrayMany } from "./set-many";

/** What people can do, by name. */
export const actions = {
  "tray.read": readTray,
  "tray.set": setTrayState,
  "tray.set-many": setTrayMany,
};
