import { LONGEST_NAME } from "@/core/groups/names";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class EditLearner {
  @Id() learner: string;
  @Name("a name", LONGEST_NAME) name: string;
}

export const editLearner = action({
  name: "learners.edit",
  about: "Corrects how somebody in a group is called.",
  input: EditLearner,
  allow: can.publish("learner"),
  locks: ({ input }) => ({ learners: [input.learner] }),
  history: "correct the name",
  run: async ({ input, locked, change }) => {
    const row = locked.learner(input.learner);
    await change("learner", row, { name: input.name });
    return { learner: { id: row.id, name: input.name } };
  },
});
