import { thanksOf } from "@/data/queries/thanks";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadThanks {
  @Id() collection: string;
}

export const readThanks = reading({
  name: "thanks.read",
  about: "What readers said of a collection that helped them, and was not put away; the last 200.",
  input: ReadThanks,
  allow: can.see("collection"),
  run: async ({ input, tx }) => ({ thanks: await thanksOf(tx, input.collection, 200) }),
});
