import { keepResourcesApart } from "./keep-apart";
import { mergeTwins } from "./merge";
import { readTwins } from "./read";
import { undoMerge } from "./undo-merge";

/** What people can do, by name. */
export const actions = {
  "duplicates.keep-apart": keepResourcesApart,
  "duplicates.merge": mergeTwins,
  "duplicates.read": readTwins,
  "duplicates.undo-merge": undoMerge,
};
