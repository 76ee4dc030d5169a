import { eraseGroup } from "@/data/queries/groups";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class EraseGroup {
  @Id() group: string;
}

export const eraseGroupForGood = action({
  name: "groups.erase",
  about:
    "Erases a group for good: those who are in it, their cards, what they wrote and found, and what is told of them. It cannot be taken back; what was collected into a collection stays there.",
  input: EraseGroup,
  allow: can.erase("group"),
  locks: ({ input }) => ({ groups: [input.group] }),
  history: null,
  run: async ({ input: { group }, scope, tx, locked, emit }) => {
    const { title } = locked.group(group);
    const learners = await eraseGroup(tx, scope.team!, group);
    // Its name is no learner's; who was in it is told nowhere.
    emit({ verb: "groups.erase", subject: group, data: { title } });
    return { erased: learners };
  },
});
