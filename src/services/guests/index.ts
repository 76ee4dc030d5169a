import { endGuestInvitation } from "./end-invitation";
import { inviteGuests } from "./invite";
import { readLetInto } from "./let-into";
import { makeLink } from "./make-link";
import { readGuests } from "./read";
import { removeGuest } from "./remove";
import { setGuestRole } from "./set-role";

/** What people can do, by name. */
export const actions = {
  "guests.end-invitation": endGuestInvitation,
  "guests.invite": inviteGuests,
  "guests.let-into": readLetInto,
  "guests.make-link": makeLink,
  "guests.read": readGuests,
  "guests.remove": removeGuest,
  "guests.set-role": setGuestRole,
};
