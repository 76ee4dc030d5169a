import { answerOffers } from "./answer";
import { borrow } from "./borrow";
import { readCredits } from "./credits";
import { findListed } from "./find";
import { readNewest } from "./newest";
import { readLent } from "./read";
import { takeLent } from "./take";

/** What people can do, by name. */
export const actions = {
  "shelves.answer": answerOffers,
  "shelves.borrow": borrow,
  "shelves.credits": readCredits,
  "shelves.find": findListed,
  "shelves.newest": readNewest,
  "shelves.read": readLent,
  "shelves.take": takeLent,
};
