import { findLearner } from "@/data/queries/groups";
import { findSheet, setSheet } from "@/data/queries/sheets";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class LookedAtSheet {
  @Id() handout: string;
  @Id() learner: string;
}

export const lookedAtSheet = action({
  name: "handouts.looked",
  about: "Notes that one looked at what somebody did with a handout, until they write again.",
  input: LookedAtSheet,
  allow: can.publish("handout"),
  locks: ({ input }) => ({ learners: [input.learner], handouts: [input.handout] }),
  history: null,
  run: async ({ input, tx, at, locked, emit }) => {
    const handout = locked.handout(input.handout);
    const learner = await findLearner(tx, input.learner);
    if (learner?.group !== handout.group) throw new Problem("not-found");
    const sheet = await findSheet(tx, handout.id, learner.id);
    if (sheet) {
      await setSheet(tx, sheet.id, { lookedAt: at });
      emit({ verb: "sheets.written", subject: handout.id, actor: null });
    }
    return { lookedAt: sheet ? at : null };
  },
});
