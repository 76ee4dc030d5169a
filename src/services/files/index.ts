import { beginUpload } from "./begin";
import { readFile } from "./read";

/** What people can do, by name. */
export const actions = {
  "files.begin": beginUpload,
  "files.read": readFile,
};
