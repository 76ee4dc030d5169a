import { askThird } from "./ask-third";
import { editRound } from "./edit";
import { readFlow } from "./flow";
import { lookAtRound } from "./look";
import { readRounds } from "./read";
import { removeRound } from "./remove";
import { startRound } from "./start";
import { wishFor } from "./wish";

/** What people can do, by name. */
export const actions = {
  "rounds.ask-third": askThird,
  "rounds.edit": editRound,
  "rounds.flow": readFlow,
  "rounds.look": lookAtRound,
  "rounds.read": readRounds,
  "rounds.remove": removeRound,
  "rounds.start": startRound,
  "rounds.wish": wishFor,
};
