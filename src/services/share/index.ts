import { answerStewards } from "./answer";
import { leaveOut } from "./leave-out";
import { lookOverCollection } from "./look-over";
import { readOut } from "./out";
import { readShared } from "./read";
import { renewLink } from "./renew";
import { setAudience } from "./set";
import { takeBackAddress } from "./take-back";

/** What people can do, by name. */
export const actions = {
  "share.answer": answerStewards,
  "share.leave-out": leaveOut,
  "share.look-over": lookOverCollection,
  "share.out": readOut,
  "share.read": readShared,
  "share.renew": renewLink,
  "share.set": setAudience,
  "share.take-back": takeBackAddress,
};
