import { acceptInvitation } from "./accept";
import { makeInvitation } from "./make";
import { readInvitation } from "./read";
import { sendInvitations } from "./send";
import { revokeInvitation } from "./revoke";

/** What people can do, by name. */
export const actions = {
  "invitations.accept": acceptInvitation,
  "invitations.make": makeInvitation,
  "invitations.read": readInvitation,
  "invitations.send": sendInvitations,
  "invitations.revoke": revokeInvitation,
};
