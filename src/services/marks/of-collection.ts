import { meaningsOf } from "@/data/queries/marks";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { marksOfCollection } from "./inside";

class ReadMarksInside {
  @Id() collection: string;
}

export const readMarksInside = reading({
  name: "marks.of-collection",
  about:
    "All marks on whatever stands in a collection and inside it that one may see, by what they are on, in the order of the texts.",
  input: ReadMarksInside,
  allow: can.see("collection"),
  run: async ({ input, scope, tx }) => {
    const rows = await marksOfCollection(tx, scope.team!, input.collection, scope.person!);
    const meanings = await meaningsOf(tx, scope.team!);
    return {
      marks: rows.map(({ meaningName: _, ...mark }) => mark),
      meanings: meanings.map(({ id, name, pattern, tint, removedAt }) => ({
        ...{ id, name, pattern, tint },
        removed: removedAt !== null,
      })),
    };
  },
});
