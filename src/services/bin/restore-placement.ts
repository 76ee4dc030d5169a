import { lockCollection } from "@/data/queries/collections";
import { findPlacement } from "@/data/queries/placements";
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
  history: "put an item back",
  run: async ({ input, tx, restore }) => {
    const found = await findPlacement(tx, input.placement);
    // Nobody deletes the section meanwhile, nor brings the item back.
    if (found) await lockCollection(tx, found.collection);
    const row = await findPlacement(tx, input.placement);
    if (!row?.deletedAt) return { restored: input.placement };
    const home = row.section ? await findSection(tx, row.section) : null;
    const stays = row.section === null || (home?.collection === row.collection && !home.deletedAt);
    // Its old order key still says where it stood among the others.
    await restore("placement", row, { fields: stays ? {} : await takeSpot(tx, row.collection, {}, row.id) });
    return { restored: row.id };
  },
});
