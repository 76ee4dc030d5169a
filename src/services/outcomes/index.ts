import { addOutcomes } from "./add";
import { editOutcome } from "./edit";
import { readItemsServing } from "./items";
import { readServedHere } from "./of-collection";
import { readOutcomesOfTeam } from "./read";
import { removeOutcome } from "./remove";
import { serveOutcome } from "./serve";

/** What people can do, by name. */
export const actions = {
  "outcomes.add": addOutcomes,
  "outcomes.edit": editOutcome,
  "outcomes.items": readItemsServing,
  "outcomes.of-collection": readServedHere,
  "outcomes.read": readOutcomesOfTeam,
  "outcomes.remove": removeOutcome,
  "outcomes.serve": serveOutcome,
};
