import { IsInt, Max, Min } from "class-validator";
import { countMarks } from "@/core/marks/filter";
import { countsOfMarks, deletedMarksOf, marksOf } from "@/data/queries/marks";
import { reading } from "@/mechanism/action";
import { Id, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { meaningsShown } from "../meanings/shown";

class ReadMarks {
  @Id() resource: string;
  /** Of those that stand in its text, the ones within so many characters are enough. */
  @Optional() @IsInt() @Min(1_000) @Max(1_000_000) beginning?: number;
}

/** So many that were taken away can be brought back where they stood. */
const MOST_TAKEN_AWAY = 50;

export const readMarks = reading({
  name: "marks.of-resource",
  about:
    "The marks of a resource that one may see, in the order of its text: the team's, and one's own. With what the team means by them, and what was taken away lately; where only those of the beginning are asked for and there are others, with how many there are.",
  input: ReadMarks,
  allow: can.seeHere("resource"),
  run: async ({ input, scope, tx }) => {
    const { resource, beginning } = input;
    const me = scope.person!;
    const [marks, takenAway, meanings, counts] = await Promise.all([
      marksOf(tx, resource, me, beginning),
      deletedMarksOf(tx, resource, me, MOST_TAKEN_AWAY),
      meaningsShown(tx, scope.team!),
      beginning === undefined ? null : countsOfMarks(tx, resource, me),
    ]);
    const counted = counts && countMarks(counts);
    return { marks, takenAway, meanings, ...(counted && counted.all > marks.length && { counted }) };
  },
});
