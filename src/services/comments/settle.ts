import { IsBoolean } from "class-validator";
import { may } from "@/core/policy/abilities";
import { commentById } from "@/data/queries/comments";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class SettleComment {
  /** The one the thread begins with. */
  @Id() comment: string;
  @IsBoolean() settled: boolean;
}

export const settleComment = action({
  name: "comments.settle",
  about: "Says that a thread is settled, or opens it again: who began it, or whoever brings things in.",
  input: SettleComment,
  allow: can.seeComment(),
  locks: ({ input }) => ({ comments: [input.comment] }),
  history: ({ input }) => (input.settled ? "settle it" : "open it again"),
  run: async ({ input, scope, tx, at, locked, change }) => {
    const row = locked.comment(input.comment);
    if (row.person !== scope.person && !may(scope.role, "bring")) throw new Problem("not-allowed");
    if (row.thread) throw new Problem("not-found");
    if ((row.settledAt !== null) !== input.settled)
      await change("comment", row, {
        settledAt: input.settled ? at : null,
        settledBy: input.settled ? scope.person : null,
      });
    return { comment: (await commentById(tx, row.id))! };
  },
});
