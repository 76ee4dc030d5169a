import { findPlacement } from "@/data/queries/placements";
import { action } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { takeSpot } from "./take-spots";

class MovePlacement {
  @Id() placement: string;
  /** Null: before the first section. Left out: the section of `after`. */
  @MaybeId() section?: string | null;
  /** The item to stand behind; null for the first place. One that is gone means the end. */
  @MaybeId() after?: string | null;
}

export const movePlacement = action({
  name: "placements.move",
  about: "Puts an item behind another one of its collection.",
  input: MovePlacement,
  allow: can.arrange("placement"),
  history: "move an item",
  run: async ({ input, tx, change }) => {
    const before = (await findPlacement(tx, input.placement))!;
    const after = input.after === input.placement ? undefined : input.after;
    const spot = await takeSpot(tx, before.collection, { section: input.section, after }, input.placement);
    // A place is meant whole: somebody may have put the item into another collection since it was looked at.
    await change("placement", before, { collection: before.collection, ...spot });
    return { placement: { id: input.placement, ...spot } };
  },
});
