import { whatFits } from "./fits";
import { readTrayEntry } from "./of-resource";
import { putAwayOld } from "./put-away-old";
import { readTray } from "./read";
import { setTrayState } from "./set";
import { setTrayMany } from "./set-many";
import { suggestPlacesOf } from "./suggest";

/** What people can do, by name. */
export const actions = {
  "tray.fits": whatFits,
  "tray.of-resource": readTrayEntry,
  "tray.put-away-old": putAwayOld,
  "tray.read": readTray,
  "tray.set": setTrayState,
  "tray.set-many": setTrayMany,
  "tray.suggest": suggestPlacesOf,
};
