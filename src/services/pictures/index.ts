import { readPicture } from "./read";

/** What people can do, by name. */
export const actions = {
  "pictures.read": readPicture,
};
