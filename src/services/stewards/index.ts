import { amISteward } from "./am-i";
import { hideCollection } from "./hide";
import { leaveReport } from "./leave";
import { readStewards } from "./read";
import { setShelves } from "./set-shelves";
import { setSignUp } from "./set-sign-up";
import { showCollection } from "./show";
import { readTeamsOfAll } from "./teams";

/** What people can do, by name. */
export const actions = {
  "stewards.am-i": amISteward,
  "stewards.hide": hideCollection,
  "stewards.leave": leaveReport,
  "stewards.read": readStewards,
  "stewards.set-shelves": setShelves,
  "stewards.set-sign-up": setSignUp,
  "stewards.show": showCollection,
  "stewards.teams": readTeamsOfAll,
};
