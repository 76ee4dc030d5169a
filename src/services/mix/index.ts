import { readItemsOfMix } from "./items";
import { readMix } from "./read";

/** What people can do, by name. */
export const actions = {
  "mix.items": readItemsOfMix,
  "mix.read": readMix,
};
