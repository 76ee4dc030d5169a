import { bringArchiveBack } from "./bring-back";
import { readArchives } from "./read";
import { takeArchive } from "./take";

/** What people can do, by name. */
export const actions = {
  "archives.bring-back": bringArchiveBack,
  "archives.read": readArchives,
  "archives.take": takeArchive,
};
