import { editGroup } from "./edit";
import { eraseGroupForGood } from "./erase";
import { lookAtGroup } from "./look";
import { makeGroup } from "./make";
import { readGroups } from "./read";
import { removeGroup } from "./remove";

/** What people can do, by name. */
export const actions = {
  "groups.erase": eraseGroupForGood,
  "groups.edit": editGroup,
  "groups.look": lookAtGroup,
  "groups.make": makeGroup,
  "groups.read": readGroups,
  "groups.remove": removeGroup,
};
