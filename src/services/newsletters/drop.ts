import { dropReader, findReader } from "@/data/queries/newsletters";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class DropReader {
  @Id() collection: string;
  @Name("a mail address", 254) address: string;
}

export const dropFromList = action({
  name: "newsletters.drop",
  about: "Takes an address off the list of a newsletter, with everything that is known of it.",
  input: DropReader,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, tx }) => {
    const found = await findReader(tx, input.collection, input.address);
    if (found) await dropReader(tx, found.id);
    return { dropped: found !== null };
  },
});
