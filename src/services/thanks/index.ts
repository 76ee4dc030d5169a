import { giveThanks } from "./give";
import { putThanksAway } from "./put-away";
import { readThanks } from "./read";

/** What people can do, by name. */
export const actions = {
  "thanks.give": giveThanks,
  "thanks.put-away": putThanksAway,
  "thanks.read": readThanks,
};
