import { findListed } from "./find";
import { readNewest } from "./newest";

/** What people can do, by name. */
export const actions = {
  "shelves.find": findListed,
  "shelves.newest": readNewest,
};
