import { LONGEST_NAME, MOST_NAMES } from "@/core/groups/names";
import { learnersIn } from "@/data/queries/groups";
import { action } from "@/mechanism/action";
import { Id, Texts } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newLearners } from "./new-learners";

class AddLearners {
  @Id() group: string;
  @Texts(MOST_NAMES, LONGEST_NAME) names: string[];
}

export const addLearners = action({
  name: "learners.add",
  about: "Adds names to a group. Who comes late has what was handed out to it before.",
  input: AddLearners,
  allow: can.publish("group"),
  locks: ({ input }) => ({ groups: [input.group] }),
  history: ({ input }) => (input.names.length === 1 ? "add a name" : `add ${input.names.length} names`),
  run: async ({ input, tx, at, locked, add }) => {
    const rows = newLearners(locked.group(input.group), input.names, at);
    if ((await learnersIn(tx, input.group)).length + rows.length > MOST_NAMES)
      throw new Problem("group-full");
    if (rows.length) await add("learner", rows);
    return { learners: rows.map(({ id, name, code, card }) => ({ id, name, code, card })) };
  },
});
