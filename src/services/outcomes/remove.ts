import { insideOutcome } from "@/core/outcomes/coverage";
import { lockOutcomes, outcomesOf } from "@/data/queries/outcomes";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveOutcome {
  @Id() outcome: string;
}

export const removeOutcome = action({
  name: "outcomes.remove",
  about:
    "Takes an outcome away, with those that stand in it. It can be taken back, and what serves them is known then as before.",
  input: RemoveOutcome,
  allow: can.arrange("outcome"),
  locks: () => ({ team: true }),
  history: "take an outcome away",
  run: async ({ input, scope, tx, remove }) => {
    const inside = insideOutcome(await outcomesOf(tx, scope.team!), input.outcome);
    await remove(
      "outcome",
      (await lockOutcomes(tx, [...inside])).filter((one) => !one.deletedAt),
    );
    return { outcome: input.outcome };
  },
});
