import { removeRule as binRule } from "@/data/queries/rules";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveRule {
  @Id() rule: string;
}

export const removeRule = action({
  name: "rules.remove",
  about: "Takes a rule away. What it did stays; saving it again under its id brings it back.",
  input: RemoveRule,
  allow: can.arrange("rule"),
  locks: null,
  history: null,
  run: async ({ input, tx, at, emit }) => {
    await binRule(tx, input.rule, at);
    emit({ verb: "rules.remove", subject: input.rule });
    return { rule: input.rule };
  },
});
