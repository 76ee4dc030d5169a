import { beginBringingBack, readArchives } from "./begin";
import { takeArchive } from "./take";

/** What people can do, by name. */
export const actions = {
  "archives.bring-back": beginBringingBack,
  "archives.read": readArchives,
  "archives.take": takeArchive,
};
