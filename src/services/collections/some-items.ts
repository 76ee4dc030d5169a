import { itemsById } from "@/data/queries/placements";
import { reading } from "@/mechanism/action";
import { Id, Ids } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadSomeItems {
  @Id() collection: string;
  @Ids(500) placements: string[];
  @Ids(500) resources: string[];
}

export const readSomeItems = reading({
  name: "collections.some-items",
  about: "Those items of a collection that have these ids or hold these resources.",
  input: ReadSomeItems,
  allow: can.seeHere("collection"),
  run: async ({ input, tx }) => ({
    items: await itemsById(tx, input.collection, input.placements, input.resources),
  }),
});
