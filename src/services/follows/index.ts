import { addToFollowed } from "./add";
import { readFollowed } from "./read";
import { removeFromFollowed } from "./remove";
import { seenFollowed } from "./seen";

/** What people can do, by name. */
export const actions = {
  "follows.add": addToFollowed,
  "follows.read": readFollowed,
  "follows.remove": removeFromFollowed,
  "follows.seen": seenFollowed,
};
