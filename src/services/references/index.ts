import { lookUp } from "./look-up";

/** What people can do, by name. */
export const actions = {
  "references.look-up": lookUp,
};
