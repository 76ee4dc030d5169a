import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class DoneWith {
  @Id() placement: string;
}

export const doneWith = action({
  name: "placements.done",
  about: "Says that one has seen to an item one was asked to see to.",
  input: DoneWith,
  // Whoever sees it may have been asked.
  allow: can.seeHere("placement"),
  locks: ({ input }) => ({ placements: [input.placement] }),
  history: "say that it is seen to",
  run: async ({ input, scope, locked, change }) => {
    const before = locked.placement(input.placement);
    if (before.askedOf !== scope.person) throw new Problem("not-asked-of-you");
    await change("placement", before, { askedOf: null, askedBy: null, askedUntil: null });
    return { done: before.id };
  },
});
