import { readOutcomes } from "@/core/outcomes/read-outcomes";
import { countOutcomes, lockOutcomes } from "@/data/queries/outcomes";
import { action } from "@/mechanism/action";
import { Id, MaybeId, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

/** So many outcomes of one team are still a list somebody looks through. */
const MOST_OUTCOMES = 2_000;

class AddOutcomes {
  @Id() team: string;
  /** In which other one they stand. */
  @MaybeId() parent?: string | null;
  /** One a line, with or without codes; deeper ones by blanks or by their codes. */
  @Name("outcomes, one a line", 100_000) text: string;
  /** The id of the first. */
  @MaybeId() outcome?: string;
}

export const addOutcomes = action({
  name: "outcomes.add",
  about:
    "Writes learning outcomes or questions, one a line, as a tree: blanks at the beginning of a line or the points of a code say how deep it stands. An id sent twice writes them once.",
  input: AddOutcomes,
  allow: can.arrange("team"),
  // The tree of a team is changed by one at a time.
  locks: () => ({ team: true }),
  history: "write outcomes",
  run: async ({ input, scope, tx, at, add }) => {
    const lines = readOutcomes(input.text).filter(({ title }) => title);
    if (!lines.length) throw fieldProblem("text", "no-outcomes");
    const first = input.outcome ?? newId();
    const known = await lockOutcomes(tx, [first, ...(input.parent ? [input.parent] : [])]);
    const parent = known.find((one) => one.id === input.parent);
    if (input.parent && (parent?.team !== input.team || parent.deletedAt)) throw new Problem("not-found");
    const there = known.find((one) => one.id === first);
    if (there && there.team !== input.team) throw new Problem("id-taken");
    if (there) return { outcomes: [there.id] };
    if ((await countOutcomes(tx, input.team)) + lines.length > MOST_OUTCOMES)
      throw fieldProblem("text", "too-many-outcomes");
    /** The last one at each depth. */
    const above: string[] = [];
    const rows = lines.map(({ code, title, depth }, i) => {
      const id = i === 0 ? first : newId();
      above.length = depth;
      const up = above.at(-1) ?? parent?.id ?? null;
      above.push(id);
      return {
        ...{ id, team: input.team, parent: up, code, title },
        ...{ createdBy: scope.person!, createdAt: at },
      };
    });
    await add("outcome", rows);
    return { outcomes: rows.map(({ id }) => id) };
  },
});
