import { addToFollowed } from "./add";
import { addListOfFeeds } from "./add-list";
import { readFitting } from "./fitting";
import { findFeeds } from "./find-feeds";
import { listFeeds } from "./list";
import { readFollowed } from "./read";
import { removeFromFollowed } from "./remove";
import { seenFollowed } from "./seen";
import { bringFollowedToTray } from "./to-tray";

/** What people can do, by name. */
export const actions = {
  "follows.add": addToFollowed,
  "follows.add-list": addListOfFeeds,
  "follows.fitting": readFitting,
  "follows.find-feeds": findFeeds,
  "follows.list": listFeeds,
  "follows.read": readFollowed,
  "follows.remove": removeFromFollowed,
  "follows.seen": seenFollowed,
  "follows.to-tray": bringFollowedToTray,
};
