import { readPublished } from "./read";

/** What people can do, by name. */
export const actions = {
  "reader.read": readPublished,
};
