import { eq } from "drizzle-orm";
import { lockCollection } from "@/data/queries/collections";
import { touchCollections } from "@/data/queries/resources";
import { placement, section } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { takeSpot } from "../arrange/place";
import { Id } from "../input";
import { can } from "../policy";

class RestorePlacement {
  @Id() placement: string;
}

export const restorePlacement = action({
  name: "bin.restore-placement",
  about: "Puts an item back where it stood; at the end, if its section is gone.",
  input: RestorePlacement,
  allow: can.restore("placement"),
  run: async ({ input, tx, tell }) => {
    const [row] = await tx.select().from(placement).where(eq(placement.id, input.placement));
    if (!row?.deletedAt) return { restored: input.placement };
    // Nobody deletes the section meanwhile.
    await lockCollection(tx, row.collection);
    const [home] = row.section ? await tx.select().from(section).where(eq(section.id, row.section)) : [];
    const stays = row.section === null || (home && !home.deletedAt);
    // Its old order key still says where it stood among the others.
    const spot = stays
      ? { section: row.section, position: row.position }
      : await takeSpot(tx, row.collection, {}, row.id);
    await tx
      .update(placement)
      .set({ ...spot, deletedAt: null, updatedAt: now() })
      .where(eq(placement.id, row.id));
    await touchCollections(tx, [row.collection], now());
    tell({ subject: row.id, collection: row.collection });
    return { restored: row.id };
  },
});
