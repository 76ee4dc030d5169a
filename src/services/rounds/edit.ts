import { ROUND_STATES, type RoundState } from "@/core/appraise/rounds";
import { action } from "@/mechanism/action";
import { Id, MaybeOneOf, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";

class EditRound {
  @Id() round: string;
  @MaybeText(120) title?: string;
  @MaybeOneOf(ROUND_STATES) state?: RoundState;
}

export const editRound = action({
  name: "rounds.edit",
  about:
    "Gives a round another title, or takes it on: opens what was judged so that it can be settled, or says that it is done. A blind round that was opened is not blind again.",
  input: EditRound,
  allow: can.arrange("round"),
  locks: ({ input }) => ({ rounds: [input.round] }),
  history: ({ input }) => (input.state ? "take a round on" : "rename a round"),
  run: async ({ input: { round: id, title, state }, locked, change }) => {
    const round = locked.round(id);
    if (title === "") throw fieldProblem("title", "title-missing");
    if (state === "judging" && round.blind && round.state !== "judging") throw new Problem("round-opened");
    await change("round", round, { title, state });
    return { round: { id, title: title ?? round.title, state: state ?? round.state } };
  },
});
