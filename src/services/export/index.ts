import { exportCollection } from "./collection";
import { exportDocument } from "./document";

/** What people can do, by name. */
export const actions = {
  "export.collection": exportCollection,
  "export.document": exportDocument,
};
