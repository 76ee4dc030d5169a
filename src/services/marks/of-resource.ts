import { deletedMarksOf, marksOf } from "@/data/queries/marks";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { meaningsShown } from "../meanings/shown";

class ReadMarks {
  @Id() resource: string;
}

/** So many that were taken away can be brought back where they stood. */
const MOST_TAKEN_AWAY = 50;

export const readMarks = reading({
  name: "marks.of-resource",
  about:
    "The marks of a resource that one may see, in the order of its text: the team's, and one's own. With what the team means by them, and what was taken away lately.",
  input: ReadMarks,
  allow: can.seeHere("resource"),
  run: async ({ input, scope, tx }) => {
    const marks = await marksOf(tx, input.resource, scope.person!);
    const takenAway = await deletedMarksOf(tx, input.resource, scope.person!, MOST_TAKEN_AWAY);
    return {
      marks,
      takenAway,
      meanings: await meaningsShown(tx, scope.team!),
    };
  },
});
