import { answerOffers } from "./answer";
import { borrow } from "./borrow";
import { readCredit } from "./credit";
import { findListed } from "./find";
import { readNewest } from "./newest";

/** What people can do, by name. */
export const actions = {
  "shelves.answer": answerOffers,
  "shelves.borrow": borrow,
  "shelves.credit": readCredit,
  "shelves.find": findListed,
  "shelves.newest": readNewest,
};
