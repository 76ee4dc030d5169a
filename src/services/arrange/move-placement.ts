import { eq } from "drizzle-orm";
import { difference } from "@/core/undo/change";
import { findPlacement } from "@/data/queries/placements";
import { placement } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, MaybeId } from "../input";
import { can } from "../policy";
import { takeSpot } from "./place";

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
  run: async ({ input, tx, tell, did }) => {
    const before = (await findPlacement(tx, input.placement))!;
    const after = input.after === input.placement ? undefined : input.after;
    const spot = await takeSpot(tx, before.collection, { section: input.section, after }, input.placement);
    await tx
      .update(placement)
      .set({ ...spot, updatedAt: now() })
      .where(eq(placement.id, input.placement));
    tell({
      subject: input.placement,
      collection: before.collection,
      data: { before: { section: before.section, position: before.position }, after: spot },
    });
    const deed = did("move an item", [difference("placement", input.placement, before, spot)]);
    return { placement: { id: input.placement, ...spot }, deed };
  },
});
