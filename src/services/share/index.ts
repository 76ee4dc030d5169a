import { leaveOut } from "./leave-out";
import { readOut } from "./out";
import { renewLink } from "./renew";
import { setAudience } from "./set";
import { takeBackAddress } from "./take-back";

/** What people can do, by name. */
export const actions = {
  "share.leave-out": leaveOut,
  "share.out": readOut,
  "share.renew": renewLink,
  "share.set": setAudience,
  "share.take-back": takeBackAddress,
};
