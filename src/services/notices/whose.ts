import { byLeaveToken } from "@/data/queries/notices";
import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class ReadWhose {
  @Name("the code", 64) token: string;
}

export const readWhose = reading({
  name: "notices.whose",
  about: "To which address letters with this code go.",
  input: ReadWhose,
  allow: can.ask(),
  run: async ({ input, tx }) => {
    const found = await byLeaveToken(tx, input.token);
    if (!found) throw new Problem("not-found");
    return { address: found.email };
  },
});
