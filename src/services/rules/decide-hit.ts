import { eq } from "drizzle-orm";
import { IsBoolean } from "class-validator";
import { findHit, findRule } from "@/data/queries/rules";
import { ruleHit } from "@/data/schema";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";
import { doRule } from "./apply-rules";

class DecideHit {
  @Id() hit: string;
  @IsBoolean() take: boolean;
}

export const decideHit = action({
  name: "rules.decide",
  about: "Takes what a rule suggests for a resource, or declines it.",
  input: DecideHit,
  allow: can.bring("hit"),
  run: async ({ input, scope, tx, tell }) => {
    const hit = (await findHit(tx, input.hit))!;
    if (hit.state !== "suggested") return { state: hit.state };
    const rule = (await findRule(tx, hit.rule))!;
    const state = input.take ? ("done" as const) : ("declined" as const);
    await tx.update(ruleHit).set({ state }).where(eq(ruleHit.id, hit.id));
    if (input.take) await doRule(tx, rule, hit.resource, scope.person!);
    tell({
      subject: hit.resource,
      collection: input.take ? rule.collection : null,
      data: { rule: rule.name, state },
    });
    return { state };
  },
});
