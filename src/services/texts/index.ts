import { compareVersion } from "./compare";
import { useVersion } from "./use";
import { readVersions } from "./versions";

/** What people can do, by name. */
export const actions = {
  "texts.compare": compareVersion,
  "texts.use": useVersion,
  "texts.versions": readVersions,
};
