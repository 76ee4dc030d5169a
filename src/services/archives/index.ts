import { takeArchive } from "./take";

/** What people can do, by name. */
export const actions = {
  "archives.take": takeArchive,
};
