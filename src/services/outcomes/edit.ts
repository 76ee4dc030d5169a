import { insideOutcome } from "@/core/outcomes/coverage";
import { lockOutcomes, outcomesOf } from "@/data/queries/outcomes";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

class EditOutcome {
  @Id() outcome: string;
  @MaybeText(20) code?: string;
  @MaybeText(500) title?: string;
  /** In which other one it stands; null: at the top. */
  @MaybeId() parent?: string | null;
}

export const editOutcome = action({
  name: "outcomes.edit",
  about: "Gives an outcome other words or another code, or puts it into another one. What serves it goes on.",
  input: EditOutcome,
  allow: can.arrange("outcome"),
  // Two moves at once could make a ring.
  locks: () => ({ team: true }),
  history: "change an outcome",
  run: async ({ input: { outcome: id, code, title, parent }, scope, tx, change }) => {
    const [row] = await lockOutcomes(tx, [id]);
    if (title === "") throw fieldProblem("title", "title-missing");
    if (parent) {
      const all = await outcomesOf(tx, scope.team!);
      if (!all.some((one) => one.id === parent)) throw fieldProblem("parent", "not-found");
      if (insideOutcome(all, id).has(parent)) throw fieldProblem("parent", "outcome-inside-itself");
    }
    await change("outcome", row!, { code, title, parent });
    return { outcome: id };
  },
});
