import { readMembers } from "./read";
import { removeMember } from "./remove";
import { setRole } from "./set-role";

/** What people can do, by name. */
export const actions = {
  "members.read": readMembers,
  "members.remove": removeMember,
  "members.set-role": setRole,
};
