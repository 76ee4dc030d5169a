import { givenBackOf } from "@/data/queries/suggestions";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadGiven {
  @Id() placement: string;
}

export const readGiven = reading({
  name: "shelves.given",
  about: "What was given back last of an item to where it was taken from, and what became of it.",
  input: ReadGiven,
  allow: can.see("placement"),
  run: async ({ input, tx }) => ({ given: await givenBackOf(tx, input.placement) }),
});
