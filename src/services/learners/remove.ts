import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveLearner {
  @Id() learner: string;
}

export const removeLearner = action({
  name: "learners.remove",
  about:
    "Takes somebody out of a group, with what they did; their card opens nothing any more. It can be taken back.",
  input: RemoveLearner,
  allow: can.publish("learner"),
  locks: ({ input }) => ({ learners: [input.learner] }),
  history: "take the name out",
  run: async ({ input, locked, remove }) => {
    await remove("learner", locked.learner(input.learner));
    return { learner: input.learner };
  },
});
