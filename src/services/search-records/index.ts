import { removeSearchRecord } from "./remove";
import { saveSearchRecord } from "./save";

/** What people can do, by name. */
export const actions = {
  "search-records.remove": removeSearchRecord,
  "search-records.save": saveSearchRecord,
};
