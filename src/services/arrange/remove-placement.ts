import { eq } from "drizzle-orm";
import { findPlacement } from "@/data/queries/placements";
import { touchCollections } from "@/data/queries/resources";
import { placement } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RemovePlacement {
  @Id() placement: string;
}

export const removePlacement = action({
  name: "placements.remove",
  about: "Takes an item out of its collection, into the bin. The resource stays in the catalogue.",
  input: RemovePlacement,
  allow: can.arrange("placement"),
  run: async ({ input, tx, tell, did }) => {
    const { collection } = (await findPlacement(tx, input.placement))!;
    await tx.update(placement).set({ deletedAt: now() }).where(eq(placement.id, input.placement));
    await touchCollections(tx, [collection], now());
    tell({ subject: input.placement, collection });
    const deed = did("take an item out", [
      { thing: "placement", id: input.placement, before: { gone: false }, after: { gone: true } },
    ]);
    return { removed: input.placement, deed };
  },
});
