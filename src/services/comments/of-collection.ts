import { commentsIn } from "@/data/queries/comments";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadComments {
  @Id() collection: string;
}

export const readComments = reading({
  name: "comments.of-collection",
  about:
    "What the team said in a collection: of itself, of its sections and of its items, in the order in which it was said. Answers name the comment their thread begins with.",
  input: ReadComments,
  allow: can.seeHere("collection"),
  run: async ({ input, tx }) => ({ comments: await commentsIn(tx, input.collection) }),
});
