import { readBibliography } from "./bibliography";
import { cite } from "./cite";
import { lookUp } from "./look-up";

/** What people can do, by name. */
export const actions = {
  "references.bibliography": readBibliography,
  "references.cite": cite,
  "references.look-up": lookUp,
};
