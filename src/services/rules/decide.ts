import { IsBoolean } from "class-validator";
import { findHit, findRule, setHit } from "@/data/queries/rules";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { doRule } from "./apply";

class DecideHit {
  @Id() hit: string;
  @IsBoolean() take: boolean;
}

export const decideHit = action({
  name: "rules.decide",
  about:
    "Takes what a rule suggests for a resource, also after it was declined or found to be wrong; or declines it.",
  input: DecideHit,
  allow: can.bring("hit"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, set, emit }) => {
    const hit = (await findHit(tx, input.hit))!;
    if (hit.state === "done" || (hit.state !== "suggested" && !input.take)) return { state: hit.state };
    const rule = (await findRule(tx, hit.rule))!;
    const state = input.take ? ("done" as const) : ("declined" as const);
    await setHit(tx, hit.id, { state });
    if (input.take) await doRule(tx, set, rule, hit, scope.person!);
    emit({
      verb: "rules.decide",
      subject: hit.resource,
      collection: input.take ? rule.collection : null,
      data: { rule: rule.name, state },
    });
    return { state };
  },
});
