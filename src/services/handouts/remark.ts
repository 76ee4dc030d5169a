import { findLearner } from "@/data/queries/groups";
import { findSheet, setSheet } from "@/data/queries/sheets";
import { action } from "@/mechanism/action";
import { type Base, Id, MaybeBase, MaybeText } from "@/mechanism/input";
import { mergedWords } from "@/mechanism/merged-words";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class RemarkOnSheet {
  @Id() handout: string;
  @Id() learner: string;
  /** Empty: nothing is said. */
  @MaybeText(4_000) remark?: string;
  @MaybeBase() base?: Base;
}

export const remarkOnSheet = action({
  name: "handouts.remark",
  about:
    "Says something to a learner about what they did with a handout; it stands at the head of theirs. What two givers write at one time is merged.",
  input: RemarkOnSheet,
  allow: can.publish("handout"),
  locks: ({ input }) => ({ learners: [input.learner], handouts: [input.handout] }),
  // The field itself takes back what was typed.
  history: null,
  run: async ({ input, tx, locked, emit }) => {
    const handout = locked.handout(input.handout);
    const learner = await findLearner(tx, input.learner);
    if (learner?.group !== handout.group) throw new Problem("not-found");
    const sheet = await findSheet(tx, handout.id, learner.id);
    if (!sheet) throw new Problem("sheet-not-begun");
    const words = mergedWords(input.base, {
      remark: { now: sheet.remark ?? "", wanted: input.remark, most: 4_000 },
    });
    await setSheet(tx, sheet.id, words);
    emit({ verb: "sheets.written", subject: handout.id, actor: null });
    return { words: words as Record<string, string> };
  },
});
