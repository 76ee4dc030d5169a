import { readCriteria } from "./read";
import { removeCriteria } from "./remove";
import { saveCriteria } from "./save";

/** What people can do, by name. */
export const actions = {
  "criteria.read": readCriteria,
  "criteria.remove": removeCriteria,
  "criteria.save": saveCriteria,
};
