import { readBibliography } from "./bibliography";
import { lookUp } from "./look-up";

/** What people can do, by name. */
export const actions = {
  "references.bibliography": readBibliography,
  "references.look-up": lookUp,
};
