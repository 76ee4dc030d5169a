import { keepResourcesApart } from "./keep-apart";
import { mergeDuplicates } from "./merge";
import { readDuplicates } from "./read";

/** What people can do, by name. */
export const actions = {
  "duplicates.keep-apart": keepResourcesApart,
  "duplicates.merge": mergeDuplicates,
  "duplicates.read": readDuplicates,
};
