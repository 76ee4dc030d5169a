import { exportCollection } from "./collection";
import { exportDocument } from "./document";
import { exportFolder } from "./folder";

/** What people can do, by name. */
export const actions = {
  "export.collection": exportCollection,
  "export.document": exportDocument,
  "export.folder": exportFolder,
};
