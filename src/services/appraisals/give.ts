import { IsInt, Max, Min } from "class-validator";
import { findText } from "@/data/queries/texts-and-files";
import { judgesOf } from "@/data/queries/rounds";
import { findAppraisal, findCriteria } from "@/data/queries/weighing";
import { action } from "@/mechanism/action";
import { Described, Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { ANSWERS_SCHEMA, answersIn } from "./answers-in";

class GiveAppraisal {
  @Id() resource: string;
  @Id() criteria: string;
  /** To which version of the criteria the answers are. */
  @IsInt() @Min(1) @Max(1_000_000) number: number;
  @Described(ANSWERS_SCHEMA) answers: unknown;
  @MaybeId() round?: string | null;
}

export const giveAppraisal = action({
  name: "appraisals.give",
  about:
    "Writes down what one thinks of a resource by a set of criteria, whole or as far as one has come; sent again it takes the place of what was there. In a blind round nobody else sees it before the round is opened.",
  input: GiveAppraisal,
  allow: can.bring("resource"),
  // Whoever judges it holds the resource: of each person there is one judgement in each place.
  locks: ({ input }) => ({ alive: [input.resource], criteria: [input.criteria], rounds: [input.round] }),
  history: "judge something",
  run: async ({ input, scope, tx, locked, at, add, change, restore, emit }) => {
    const { resource, criteria, number } = input;
    const person = scope.person!;
    const set = await findCriteria(tx, criteria);
    if (set?.team !== scope.team) throw new Problem("not-found");
    const round = input.round ? locked.round(input.round) : null;
    if (round) {
      if (round.team !== scope.team || round.deletedAt) throw new Problem("not-found");
      if (round.criteria !== criteria || round.number !== number) throw new Problem("round-asks-otherwise");
      const share = (await judgesOf(tx, round.id, resource)).find((one) => one.person === person);
      if (round.state !== "judging" && !(share?.third && round.state === "settling"))
        throw new Problem("round-not-judging");
      if (!share) throw new Problem("not-yours-to-judge");
    }
    const { answers, whole } = await answersIn(tx, input);
    const copy = (await findText(tx, resource))?.number ?? null;
    const there = await findAppraisal(tx, { resource, criteria, person, round: round?.id ?? null });
    const fields = { number, answers, whole, copy };
    if (there?.deletedAt) await restore("appraisal", there, { fields });
    else if (there) await change("appraisal", there, fields);
    else {
      const row = { id: newId(), team: scope.team, resource, criteria, person, round: round?.id ?? null };
      await add("appraisal", { ...row, ...fields, createdAt: at, updatedAt: at });
    }
    // That it is judged is told to everybody; what they think, to them alone.
    emit({ subject: resource, verb: "appraisals.give", data: round ? { round: round.id } : {} });
    return { resource, whole };
  },
});
