import { intakesOf } from "@/data/queries/intakes";
import { reading } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class ReadIntakes {
  @Id() team: string;
}

export const readIntakes = reading({
  name: "intakes.list",
  about: "The newest imports of a team, each with how far it is and what became of its lines.",
  input: ReadIntakes,
  allow: can.bring("team"),
  run: async ({ input, tx }) => ({ intakes: await intakesOf(tx, input.team, 50) }),
});
