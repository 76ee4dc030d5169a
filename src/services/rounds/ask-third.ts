import { IsBoolean } from "class-validator";
import { MOST_JUDGES } from "@/core/appraise/rounds";
import { may } from "@/core/policy/abilities";
import { membersOf } from "@/data/queries/teams";
import { addShares, dropShare, judgesOf } from "@/data/queries/rounds";
import { findAppraisal } from "@/data/queries/weighing";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";

class AskThird {
  @Id() round: string;
  @Id() resource: string;
  @Id() person: string;
  /** Or asks them no more, as long as they have said nothing. */
  @IsBoolean() asked: boolean;
}

export const askThird = action({
  name: "rounds.ask-third",
  about:
    "Asks somebody else what they think of a thing in a round that has been opened, or asks them no more. It is heard when settling, and is no measure of agreement. Asking twice asks once.",
  input: AskThird,
  allow: can.bring("round"),
  locks: ({ input }) => ({ alive: [input.resource], rounds: [input.round] }),
  history: null,
  run: async ({ input: { round: id, resource, person, asked }, tx, locked, scope, emit }) => {
    const round = locked.round(id);
    locked.mustBeOfTeam("resource", resource, scope.team);
    if (round.state !== "settling") throw new Problem("round-not-settling");
    const judges = await judgesOf(tx, id, resource);
    if (!judges.length) throw new Problem("not-found");
    const there = judges.find((one) => one.person === person);
    if (asked && !there) {
      const member = (await membersOf(tx, round.team)).find((one) => one.id === person);
      if (!may(member?.role ?? null, "bring")) throw fieldProblem("person", "nobody-to-judge");
      if (judges.length >= MOST_JUDGES) throw fieldProblem("person", "too-many-judge");
      await addShares(tx, [{ round: id, position: judges[0]!.position, person, resource, third: true }]);
    }
    if (!asked && there?.third) {
      const said = await findAppraisal(tx, { resource, criteria: round.criteria, person, round: id });
      if (said && !said.deletedAt) throw new Problem("has-judged");
      await dropShare(tx, id, { resource, person });
    }
    if (asked !== !!there) emit({ subject: id, verb: "rounds.ask-third", data: { title: round.title } });
    return { asked };
  },
});
