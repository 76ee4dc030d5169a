import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveRound {
  @Id() round: string;
}

export const removeRound = action({
  name: "rounds.remove",
  about: "Takes a round away, with what was judged and agreed on in it. It can be taken back.",
  input: RemoveRound,
  allow: can.arrange("round"),
  locks: ({ input }) => ({ rounds: [input.round] }),
  history: "take a round away",
  run: async ({ input, locked, remove }) => {
    await remove("round", locked.round(input.round));
    return { round: input.round };
  },
});
