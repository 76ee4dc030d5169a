import { judgesOf } from "@/data/queries/rounds";
import { findAgreed } from "@/data/queries/weighing";
import { action } from "@/mechanism/action";
import { Described, Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { ANSWERS_SCHEMA, answersIn } from "./answers-in";

class AgreeOnAppraisal {
  @Id() round: string;
  @Id() resource: string;
  @Described(ANSWERS_SCHEMA) answers: unknown;
}

export const agreeOnAppraisal = action({
  name: "appraisals.agree",
  about:
    "Writes down what those who judged a thing in a round agreed on, and who agreed. What each of them thought before stays as it was.",
  input: AgreeOnAppraisal,
  allow: can.bring("round"),
  locks: ({ input }) => ({ alive: [input.resource], rounds: [input.round] }),
  history: "settle on something",
  run: async ({ input, scope, tx, locked, at, add, change, restore }) => {
    const round = locked.round(input.round);
    locked.mustBeOfTeam("resource", input.resource, scope.team);
    if (round.state !== "settling") throw new Problem("round-not-settling");
    const judges = await judgesOf(tx, round.id, input.resource);
    if (!judges.length) throw new Problem("not-found");
    const { answers } = await answersIn(tx, { ...round, answers: input.answers });
    const fields = {
      number: round.number,
      answers,
      person: scope.person!,
      // Whoever writes it down was there, be it as a third.
      people: [...new Set([...judges.map((one) => one.person), scope.person!])],
    };
    const there = await findAgreed(tx, { round: round.id, resource: input.resource });
    if (there?.deletedAt) await restore("agreed", there, { fields });
    else if (there) await change("agreed", there, fields);
    else
      await add("agreed", {
        ...{ id: newId(), team: round.team, resource: input.resource, criteria: round.criteria },
        ...{ round: round.id, ...fields, createdAt: at, updatedAt: at },
      });
    return { resource: input.resource };
  },
});
