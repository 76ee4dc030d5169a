import { forgetSavedSearch } from "./forget";
import { lookAtSavedSearch } from "./look";
import { readSavedSearches } from "./read";
import { saveSearch } from "./save";

/** What people can do, by name. */
export const actions = {
  "saved-searches.forget": forgetSavedSearch,
  "saved-searches.look": lookAtSavedSearch,
  "saved-searches.read": readSavedSearches,
  "saved-searches.save": saveSearch,
};
