import { outcomesOf, servingsOf } from "@/data/queries/outcomes";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadOutcomes {
  @Id() team: string;
}

export const readOutcomesOfTeam = reading({
  name: "outcomes.read",
  about:
    "The outcomes of a team in the order in which they were written, and what serves them, where it stands.",
  input: ReadOutcomes,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const [outcomes, servings] = await Promise.all([outcomesOf(tx, input.team), servingsOf(tx, input.team)]);
    return { outcomes, servings };
  },
});
