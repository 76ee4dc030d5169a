import { commentById } from "@/data/queries/comments";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { addressTo } from "./address";

class EditComment {
  @Id() comment: string;
  @Name("some words", 4000) words: string;
}

export const editComment = action({
  name: "comments.edit",
  about: "Says in other words what one has said; nobody changes the words of others.",
  input: EditComment,
  allow: can.seeComment(),
  locks: ({ input }) => ({ comments: [input.comment] }),
  history: "say it in other words",
  run: async ({ input, actor, scope, tx, at, locked, set, change }) => {
    const row = locked.comment(input.comment);
    if (row.person !== scope.person || actor.only) throw new Problem("not-allowed");
    if (row.deletedAt) throw new Problem("in-bin");
    await change("comment", row, { words: input.words });
    await addressTo({ scope, tx, at, set }, { ...row, words: input.words }, row.words);
    return { comment: (await commentById(tx, row.id))! };
  },
});
