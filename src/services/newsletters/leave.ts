import { dropReader, readerByToken } from "@/data/queries/newsletters";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class LeaveList {
  @Name("the code", 64) token: string;
}

export const leaveList = action({
  name: "newsletters.leave",
  about:
    "Takes whoever has this code off the list of a newsletter, with everything that is known of them. Who is not on it is answered the same.",
  input: LeaveList,
  allow: can.ask(),
  locks: null,
  history: null,
  run: async ({ input, tx }) => {
    const found = await readerByToken(tx, input.token);
    if (found) await dropReader(tx, found.reader.id);
    return { left: true };
  },
});
