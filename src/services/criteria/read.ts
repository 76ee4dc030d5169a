import { criteriaOf } from "@/data/queries/weighing";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadCriteria {
  @Id() team: string;
}

export const readCriteria = reading({
  name: "criteria.read",
  about: "By which sets of criteria a team judges things, with the questions as they are asked now.",
  input: ReadCriteria,
  allow: can.see("team"),
  run: async ({ input, tx }) => ({ criteria: await criteriaOf(tx, input.team) }),
});
