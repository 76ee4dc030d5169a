import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveHandout {
  @Id() handout: string;
}

export const removeHandout = action({
  name: "handouts.remove",
  about: "Takes a handout away from its group, with what was written in it. It can be taken back.",
  input: RemoveHandout,
  allow: can.publish("handout"),
  locks: ({ input }) => ({ handouts: [input.handout] }),
  history: "take the handout away",
  run: async ({ input, locked, remove }) => {
    await remove("handout", locked.handout(input.handout));
    return { handout: input.handout };
  },
});
