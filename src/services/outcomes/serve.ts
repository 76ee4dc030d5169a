import { DEGREES, type Degree } from "@/core/outcomes/coverage";
import { lockOutcomes, servedBy } from "@/data/queries/outcomes";
import { action } from "@/mechanism/action";
import { Id, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class ServeOutcome {
  @Id() placement: string;
  @Id() outcome: string;
  @OneOf([...DEGREES, "none"]) degree: Degree | "none";
}

export const serveOutcome = action({
  name: "outcomes.serve",
  about: "Says how much of an outcome an item serves where it stands: all, a part, or nothing.",
  input: ServeOutcome,
  allow: can.bring("placement"),
  locks: ({ input }) => ({ placements: [input.placement] }),
  history: "say what an item serves",
  run: async ({ input: { placement, outcome, degree }, scope, tx, at, add, change, remove }) => {
    const [row] = await lockOutcomes(tx, [outcome]);
    if (row?.team !== scope.team || row.deletedAt) throw new Problem("not-found");
    const there = (await servedBy(tx, [placement])).find((one) => one.outcome === outcome);
    if (degree === "none") {
      if (there) await remove("serves", there);
    } else if (there) await change("serves", there, { degree });
    else await add("serves", { outcome, placement, degree, createdAt: at });
    return { placement, outcome, degree };
  },
});
