import { readersOf } from "@/data/queries/newsletters";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadReaders {
  @Id() collection: string;
}

export const readReaders = reading({
  name: "newsletters.readers",
  about:
    "The addresses on the list of a newsletter, for those who send it. Whether anybody reads it is not known.",
  input: ReadReaders,
  allow: can.publish("collection"),
  run: async ({ input, tx }) => ({ readers: await readersOf(tx, input.collection) }),
});
