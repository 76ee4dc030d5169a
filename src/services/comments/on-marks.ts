import { commentsOnMarks } from "@/data/queries/comments";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { inSight } from "@/mechanism/sight";

class ReadOnMarks {
  @Id() resource: string;
}

export const readOnMarks = reading({
  name: "comments.on-marks",
  about:
    "What the team said about the marks in a resource, in whatever collections one sees it stand, in the order in which it was said; each with its collection.",
  input: ReadOnMarks,
  allow: can.seeHere("resource"),
  run: async ({ input, scope, tx }) => ({
    comments: inSight(scope, await commentsOnMarks(tx, input.resource)),
  }),
});
