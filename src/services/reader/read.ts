import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { publishedCollection } from "./published-collection";

class ReadPublished {
  @Id() collection: string;
}

export const readPublished = reading({
  name: "reader.read",
  about: "A collection as readers get it. For members, and for whoever it is shared with.",
  input: ReadPublished,
  allow: can.read(),
  run: async ({ input, tx }) => ({ collection: await publishedCollection(tx, input.collection, true) }),
});
