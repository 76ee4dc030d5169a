import { findOutcome, itemsServing } from "@/data/queries/outcomes";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

/** So many items are looked through for one outcome. */
const MOST = 1_000;

class ReadItemsServing {
  @Id() collection: string;
  @Id() outcome: string;
}

export const readItemsServing = reading({
  name: "outcomes.items",
  about: "The items of a collection in their order, with how much of an outcome each serves.",
  input: ReadItemsServing,
  allow: can.see("collection"),
  run: async ({ input, scope, tx }) => {
    if ((await findOutcome(tx, input.outcome))?.team !== scope.team) throw new Problem("not-found");
    return { items: await itemsServing(tx, input.outcome, input.collection, MOST) };
  },
});
