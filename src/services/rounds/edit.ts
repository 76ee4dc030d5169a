import { IsInt, Max, Min } from "class-validator";
import { isCurrency, MOST_MILLS } from "@/core/appraise/price";
import { ROUND_STATES, type RoundState } from "@/core/appraise/rounds";
import { action } from "@/mechanism/action";
import { Id, MaybeOneOf, MaybeText, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";

class EditRound {
  @Id() round: string;
  @MaybeText(120) title?: string;
  @MaybeOneOf(ROUND_STATES) state?: RoundState;
  /** What its shortlist may cost, in thousandths of the currency; null: as much as it does. */
  @Optional() @IsInt() @Min(0) @Max(MOST_MILLS) budget?: number | null;
  /** Of ISO 4217, as EUR; empty: none is said. */
  @MaybeText(3) currency?: string;
}

export const editRound = action({
  name: "rounds.edit",
  about:
    "Gives a round another title, or its shortlist a budget or a currency; or takes it on: opens what was judged so that it can be settled, or says that it is done. A blind round that was opened is not blind again.",
  input: EditRound,
  allow: can.arrange("round"),
  locks: ({ input }) => ({ rounds: [input.round] }),
  history: ({ input }) =>
    input.state ? "take a round on" : input.title === undefined ? "change the shortlist" : "rename a round",
  run: async ({ input: { round: id, title, state, budget, currency }, locked, change }) => {
    const round = locked.round(id);
    if (title === "") throw fieldProblem("title", "title-missing");
    if (state === "judging" && round.blind && round.state !== "judging") throw new Problem("round-opened");
    if (currency && !isCurrency(currency)) throw fieldProblem("currency", "currency-unknown");
    await change("round", round, { title, state, budget, currency });
    return { round: { id, title: title ?? round.title, state: state ?? round.state } };
  },
});
