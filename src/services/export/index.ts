import { exportCollection } from "./collection";

/** What people can do, by name. */
export const actions = {
  "export.collection": exportCollection,
};
