import { readBin } from "./read";
import { restoreCollection } from "./restore-collection";
import { restorePlacement } from "./restore-placement";
import { restoreResource } from "./restore-resource";
import { restoreSection } from "./restore-section";

/** What people can do, by name. */
export const actions = {
  "bin.read": readBin,
  "bin.restore-collection": restoreCollection,
  "bin.restore-placement": restorePlacement,
  "bin.restore-resource": restoreResource,
  "bin.restore-section": restoreSection,
};
