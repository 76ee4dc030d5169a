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
  allow: can.arrangeHere("placement"),
  locks: ({ input }) => ({ placements: [input.placement] }),
  history: "move an item",
  run: async ({ input, tx, locked, change, set }) => {
    const before = locked.placement(input.placement);
    const after = input.after === input.placement ? undefined : input.after;
    const spot = await takeSpot(
      tx,
      set,
      before.collection,
      { section: input.section, after },
      input.placement,
    );
    await change("placement", before, spot);
    return { placement: { id: input.placement, ...spot } };
  },
});
