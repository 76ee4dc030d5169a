import { exportCollection } from "./collection";
import { exportDocument } from "./document";
import { exportFolder } from "./folder";
import { orderFile } from "./order";
import { orderedFile } from "./ordered";
import { readOrders } from "./orders";

/** What people can do, by name. */
export const actions = {
  "export.collection": exportCollection,
  "export.document": exportDocument,
  "export.folder": exportFolder,
  "export.order": orderFile,
  "export.ordered": orderedFile,
  "export.orders": readOrders,
};
