import { comparedWith } from "@/core/history/then";
import { findEvent } from "@/data/queries/snapshots";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { stateAfter } from "./state-after";

class ReadThen {
  @Id() collection: string;
  /** The event after which it is shown, one of those of the collection. */
  @Id() event: string;
}

export const readThenOf = reading({
  name: "collections.then",
  about:
    "A collection as it was after something had happened in it: its words, sections and items, and what became of each since.",
  input: ReadThen,
  allow: can.seeHere("collection"),
  run: async ({ input: { collection, event }, tx }) => {
    const found = await findEvent(tx, event);
    if (found?.collection !== collection) throw new Problem("not-found");
    const { then, now } = await stateAfter(tx, collection, found);
    const { since, came } = comparedWith(then, now);
    const { title, description, rich } = then;
    return {
      at: found.at,
      ...{ title, description, rich },
      sections: then.sections.map(({ id, title, intro }) => ({ id, title, intro })),
      items: then.items.map(({ position: _, ...item }) => ({ ...item, since: since.get(item.id)! })),
      came,
      changed: title !== now.title || description !== now.description || rich !== now.rich,
    };
  },
});
