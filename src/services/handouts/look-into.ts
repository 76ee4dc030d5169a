import { stageOf } from "@/core/handouts/stage";
import { findHandout } from "@/data/queries/handouts";
import { findLearner } from "@/data/queries/groups";
import { findSheet } from "@/data/queries/sheets";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { viewOf } from "../sheets/view-of";

class LookIntoSheet {
  @Id() handout: string;
  @Id() learner: string;
}

export const lookIntoSheet = reading({
  name: "handouts.look-into",
  about:
    "A handout as one of the group has it, with everything they did in it but the notes they made for themselves.",
  input: LookIntoSheet,
  allow: can.publish("handout"),
  run: async ({ input, tx }) => {
    const handout = (await findHandout(tx, input.handout))!;
    const learner = await findLearner(tx, input.learner);
    if (!learner || learner.group !== handout.group || learner.deletedAt) throw new Problem("not-found");
    const sheet = await findSheet(tx, handout.id, learner.id);
    const { openedAt = null, writtenAt = null, handedInAt = null, lookedAt = null, remark } = sheet ?? {};
    return {
      learner: { id: learner.id, name: learner.name },
      stage: stageOf({ openedAt, writtenAt, handedInAt, lookedAt }),
      ...{ writtenAt, handedInAt, remark: remark ?? "" },
      parts: (await viewOf(tx, handout, sheet)).map((part) => ({
        ...part,
        sections: part.sections.map((section) => ({
          ...section,
          items: section.items.map((item) => ({ ...item, note: "" })),
        })),
      })),
    };
  },
});
