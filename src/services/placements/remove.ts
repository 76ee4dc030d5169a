import { action, mustBeOwnAndFresh } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemovePlacement {
  @Id() placement: string;
}

export const removePlacement = action({
  name: "placements.remove",
  about: "Takes an item out of its collection, into the bin. The resource stays in the catalogue.",
  input: RemovePlacement,
  allow: can.arrangeHere("placement"),
  locks: ({ input }) => ({ placements: [input.placement] }),
  history: "take an item out",
  run: async ({ input, actor, locked, at, remove }) => {
    const row = locked.placement(input.placement);
    mustBeOwnAndFresh(actor, row, at);
    await remove("placement", row);
    return { removed: input.placement };
  },
});
