import { findRound } from "@/data/queries/rounds";
import { findCriteria } from "@/data/queries/weighing";
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
    "A round: what is judged, by whom, what everybody said, and what was agreed on. While a blind round is being judged, of others only whether they have is said.",
  input: LookAtRound,
  allow: can.see("round"),
  run: async ({ input, scope, tx }) => {
    const round = await findRound(tx, input.round);
    if (!round) throw new Problem("not-found");
    const [set, inside] = await Promise.all([
      findCriteria(tx, round.criteria),
      insideRound(tx, round, scope.person!),
    ]);
    return {
      round: {
        ...{ id: round.id, team: round.team, title: round.title, state: round.state, blind: round.blind },
        ...{ each: round.each, criteria: round.criteria, number: round.number, name: set?.name ?? "" },
        after: round.after,
      },
      ...inside,
    };
  },
});
