import { NO_LETTERS } from "@/core/talk/notices";
import { byLeaveToken, saveWishes } from "@/data/queries/notices";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class LeaveLetters {
  @Name("the code", 64) token: string;
}

export const leaveLetters = action({
  name: "notices.leave",
  about:
    "Ends all letters about what is addressed to whoever has this code; it stands on their Desk all the same. A code that is nobody's is answered the same.",
  input: LeaveLetters,
  allow: can.ask(),
  locks: null,
  history: null,
  run: async ({ input, tx }) => {
    const found = await byLeaveToken(tx, input.token);
    if (found) await saveWishes(tx, found.person, NO_LETTERS, input.token);
    return { left: true };
  },
});
