import { CRITERIA_SCHEMA, criteriaFrom } from "@/core/appraise/criteria";
import { addCriteriaVersion, criteriaAt, findCriteria } from "@/data/queries/weighing";
import { action } from "@/mechanism/action";
import { Described, Id, MaybeId, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

class SaveCriteria {
  @Id() team: string;
  @MaybeId() criteria?: string;
  @Name("a name", 120) name: string;
  @Described(CRITERIA_SCHEMA) content: unknown;
}

export const saveCriteria = action({
  name: "criteria.save",
  about:
    "Writes a set of criteria by which a team judges things, or changes one. What was judged already stays with the words it was given to. An id sent twice makes one.",
  input: SaveCriteria,
  allow: can.arrange("team"),
  // Two who make one of the same id wait for each other at the team.
  locks: ({ input }) => ({ team: true, criteria: [input.criteria] }),
  history: "write criteria",
  run: async ({ input, scope, tx, at, add, change }) => {
    const content = criteriaFrom(input.content);
    if (!content) throw fieldProblem("content", "criteria-not-readable");
    const id = input.criteria ?? newId();
    const there = await findCriteria(tx, id);
    if (there && there.team !== scope.team) throw new Problem("id-taken");
    if (!there) {
      await add("criteria", {
        ...{ id, team: input.team, name: input.name, version: 1 },
        ...{ createdBy: scope.person!, createdAt: at },
      });
      return { criteria: { id, name: input.name, number: await addCriteriaVersion(tx, id, content, at) } };
    }
    if (there.deletedAt) throw new Problem("in-bin");
    const before = await criteriaAt(tx, id, there.version);
    const isSame = JSON.stringify(before) === JSON.stringify(content);
    const number = isSame ? there.version : await addCriteriaVersion(tx, id, content, at);
    await change("criteria", there, { name: input.name, version: number });
    return { criteria: { id, name: input.name, number } };
  },
});
