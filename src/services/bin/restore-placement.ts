import { findSection } from "@/data/queries/sections";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { takeSpot } from "../placements/take-spots";

class RestorePlacement {
  @Id() placement: string;
}

export const restorePlacement = action({
  name: "bin.restore-placement",
  about: "Puts an item back where it stood; at the end, if its section is gone.",
  input: RestorePlacement,
  allow: can.restore("placement"),
  // With its collection, so that nobody deletes the section meanwhile.
  locks: ({ input }) => ({ placements: [input.placement] }),
  history: "put an item back",
  run: async ({ input, tx, locked, restore, set }) => {
    const row = locked.placement(input.placement);
    if (!row.deletedAt) return { restored: input.placement };
    const home = row.section ? await findSection(tx, row.section) : null;
    const stays = row.section === null || (home?.collection === row.collection && !home.deletedAt);
    // Its old order key still says where it stood among the others.
    await restore("placement", row, {
      fields: stays ? {} : await takeSpot(tx, set, row.collection, {}, row.id),
    });
    return { restored: row.id };
  },
});
