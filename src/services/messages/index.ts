import { decideMessage } from "./decide";
import { makeMailAddress } from "./make-address";
import { readMessageOf } from "./of-resource";
import { readOriginal } from "./original";
import { readMail } from "./read";
import { setSender } from "./set-sender";

/** What people can do, by name. */
export const actions = {
  "messages.decide": decideMessage,
  "messages.make-address": makeMailAddress,
  "messages.of-resource": readMessageOf,
  "messages.original": readOriginal,
  "messages.read": readMail,
  "messages.set-sender": setSender,
};
