import { suggestedBy } from "@/data/queries/suggestions";
import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { saidToGiver } from "./said-to-giver";

class ReadMine {
  @Name("the code of the page", 24) page: string;
  /** The code that came back with the first suggestion. */
  @Name("your own code", 24) giver: string;
}

export const readMine = reading({
  name: "suggestions.mine",
  about: "What somebody suggested for a collection, by the code that is theirs alone, and what became of it.",
  input: ReadMine,
  allow: can.suggest(),
  run: async ({ input, scope, tx }) => ({
    suggestions: (await suggestedBy(tx, scope.page!.collection, input.giver)).map(saidToGiver),
  }),
});
