import { confirmReader, readerByToken } from "@/data/queries/newsletters";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { guarded } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class ConfirmReader {
  @Name("the code", 64) token: string;
}

export const confirmOnList = action({
  name: "newsletters.confirm",
  about: "Confirms that one wants a newsletter, by the code of the letter that asked.",
  input: ConfirmReader,
  allow: can.ask(),
  locks: null,
  history: null,
  run: async ({ input, tx, at }) => {
    const found = await guarded("newsletter", () => readerByToken(tx, input.token));
    if (!found || found.deletedAt) throw new Problem("not-on-list");
    if (found.reader.state !== "confirmed") await confirmReader(tx, found.reader.id, at);
    return { title: found.title };
  },
});
