import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveCriteria {
  @Id() criteria: string;
}

export const removeCriteria = action({
  name: "criteria.remove",
  about:
    "Takes a set of criteria off the list. What was judged by it stays as it is, and it can be taken back.",
  input: RemoveCriteria,
  allow: can.arrange("criteria"),
  locks: ({ input }) => ({ criteria: [input.criteria] }),
  history: "take criteria away",
  run: async ({ input, locked, remove }) => {
    await remove("criteria", locked.criteria(input.criteria));
    return { criteria: input.criteria };
  },
});
