import { readMeanings } from "./read";
import { removeMeaning } from "./remove";
import { saveMeaning } from "./save";

/** What people can do, by name. */
export const actions = {
  "meanings.read": readMeanings,
  "meanings.remove": removeMeaning,
  "meanings.save": saveMeaning,
};
