import { findPlacement } from "@/data/queries/placements";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemovePlacement {
  @Id() placement: string;
}

export const removePlacement = action({
  name: "placements.remove",
  about: "Takes an item out of its collection, into the bin. The resource stays in the catalogue.",
  input: RemovePlacement,
  allow: can.arrange("placement"),
  history: "take an item out",
  run: async ({ input, tx, remove }) => {
    await remove("placement", (await findPlacement(tx, input.placement))!);
    return { removed: input.placement };
  },
});
