import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { meaningsShown } from "../meanings/shown";
import { marksOfCollection } from "./inside";

class ReadMarksInside {
  @Id() collection: string;
}

export const readMarksInside = reading({
  name: "marks.of-collection",
  about:
    "All marks on whatever stands in a collection and inside it that one may see, by what they are on, in the order of the texts.",
  input: ReadMarksInside,
  allow: can.seeHere("collection"),
  run: async ({ input, scope, tx }) => {
    const rows = await marksOfCollection(tx, scope.team!, input.collection, scope.person!);
    return {
      marks: rows.map(({ meaningName: _, ...mark }) => mark),
      meanings: await meaningsShown(tx, scope.team!),
    };
  },
});
