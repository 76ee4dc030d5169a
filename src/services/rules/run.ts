import { findRule } from "@/data/queries/rules";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { hitBy } from "./apply";
import { fittingResources } from "./preview";

class RunRule {
  @Id() rule: string;
}

/** So many are done in one go; running it again goes on, because what is done is noted. */
const MOST = 500;

export const runRule = action({
  name: "rules.run",
  about:
    "Does a rule to what is in the catalogue already, 500 resources at a time. What it did before stays out.",
  input: RunRule,
  allow: can.arrange("rule"),
  locks: null,
  history: null,
  run: async ({ input, tx, set, emit }) => {
    const rule = (await findRule(tx, input.rule))!;
    const { fitting } = await fittingResources(tx, rule);
    let done = 0;
    let left = 0;
    for (const one of fitting) {
      if (done === MOST) left++;
      else if (await hitBy(tx, set, rule, one.id, true)) done++;
    }
    emit({ verb: "rules.run", subject: rule.id, data: { title: rule.name, done } });
    return { done, left };
  },
});
