import { may } from "@/core/policy/abilities";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class RemoveComment {
  @Id() comment: string;
}

export const removeComment = action({
  name: "comments.remove",
  about:
    "Takes back what one has said, or as an editor what anybody has. Answers stay. Taken back twice it is gone once.",
  input: RemoveComment,
  allow: can.seeComment(),
  locks: ({ input }) => ({ comments: [input.comment] }),
  history: "take back what was said",
  run: async ({ input, actor, scope, locked, remove }) => {
    const row = locked.comment(input.comment);
    if (row.person !== scope.person && (actor.only || !may(scope.role, "arrange")))
      throw new Problem("not-allowed");
    if (!row.deletedAt) await remove("comment", row);
    return { comment: row.id };
  },
});
