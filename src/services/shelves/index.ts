import { answerOffers } from "./answer";
import { borrow } from "./borrow";
import { readCredits } from "./credits";
import { findListed } from "./find";
import { giveBack } from "./give-back";
import { readGiven } from "./given";
import { readKeeping } from "./keeping";
import { readNear } from "./near";
import { readNewest } from "./newest";
import { readOfPerson } from "./of-person";
import { readOfTeam } from "./of-team";
import { lookAtShelves } from "./open";
import { readOften } from "./often";
import { readLent } from "./read";
import { showLent } from "./show";
import { readSubjects } from "./subjects";
import { takeLent } from "./take";

/** What people can do, by name. */
export const actions = {
  "shelves.answer": answerOffers,
  "shelves.borrow": borrow,
  "shelves.credits": readCredits,
  "shelves.find": findListed,
  "shelves.give-back": giveBack,
  "shelves.given": readGiven,
  "shelves.keeping": readKeeping,
  "shelves.near": readNear,
  "shelves.newest": readNewest,
  "shelves.of-person": readOfPerson,
  "shelves.of-team": readOfTeam,
  "shelves.often": readOften,
  "shelves.open": lookAtShelves,
  "shelves.read": readLent,
  "shelves.show": showLent,
  "shelves.subjects": readSubjects,
  "shelves.take": takeLent,
};
