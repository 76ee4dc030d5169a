import { rulesOf } from "@/data/queries/rules";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadRules {
  @Id() team: string;
}

export const readRules = reading({
  name: "rules.read",
  about: "The rules of a team.",
  input: ReadRules,
  allow: can.see("team"),
  run: async ({ input, tx }) => ({
    rules: (await rulesOf(tx, input.team)).map(({ acts, deletedAt: _d, ...rest }) => ({
      ...rest,
      acts: acts === 1,
    })),
  }),
});
