import { readerByToken } from "@/data/queries/newsletters";
import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { guarded } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class OnList {
  @Name("the code", 64) token: string;
}

export const readOnList = reading({
  name: "newsletters.on-list",
  about: "Of which newsletter an address in a letter is, and whether it has been confirmed.",
  input: OnList,
  allow: can.ask(),
  run: async ({ input, tx }) => {
    const found = await guarded("newsletter", () => readerByToken(tx, input.token));
    if (!found || found.deletedAt) throw new Problem("not-on-list");
    return {
      title: found.title,
      address: found.reader.address,
      isConfirmed: found.reader.state === "confirmed",
    };
  },
});
