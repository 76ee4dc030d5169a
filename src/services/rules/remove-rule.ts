import { eq } from "drizzle-orm";
import { rule } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RemoveRule {
  @Id() rule: string;
}

export const removeRule = action({
  name: "rules.remove",
  about: "Takes a rule away. What it did stays; saving it again under its id brings it back.",
  input: RemoveRule,
  allow: can.arrange("rule"),
  run: async ({ input, tx, tell }) => {
    await tx.update(rule).set({ deletedAt: now() }).where(eq(rule.id, input.rule));
    tell({ subject: input.rule });
    return { rule: input.rule };
  },
});
