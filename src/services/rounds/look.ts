import { findRound } from "@/data/queries/rounds";
import { findCriteria } from "@/data/queries/weighing";
import { shortlistOf } from "@/data/queries/wishes";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { insideRound } from "./inside";

class LookAtRound {
  @Id() round: string;
}

export const lookAtRound = reading({
  name: "rounds.look",
  about:
    "A round: what is judged, by whom, what everybody said, what was agreed on, and what is wished of it. While a blind round is being judged, of others only whether they have is said.",
  input: LookAtRound,
  allow: can.see("round"),
  run: async ({ input, scope, tx }) => {
    const round = await findRound(tx, input.round);
    if (!round) throw new Problem("not-found");
    const [set, inside, wishes] = await Promise.all([
      findCriteria(tx, round.criteria),
      insideRound(tx, round, scope.person!),
      shortlistOf(tx, round.id),
    ]);
    return {
      round: {
        ...{ id: round.id, team: round.team, title: round.title, state: round.state, blind: round.blind },
        ...{ each: round.each, criteria: round.criteria, number: round.number, name: set?.name ?? "" },
        ...{ after: round.after, budget: round.budget, currency: round.currency },
      },
      wishes,
      ...inside,
    };
  },
});
