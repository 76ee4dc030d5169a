import { inArray } from "drizzle-orm";
import { touchCollections } from "@/data/queries/resources";
import { placement } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { placementsOf } from "../all-of-team";
import { Id, Ids } from "../input";
import { can } from "../policy";

class RemoveMany {
  @Id() team: string;
  @Ids() placements: string[];
}

export const removeMany = action({
  name: "placements.remove-many",
  about: "Takes several items out of their collections, into the bin. The resources stay in the catalogue.",
  input: RemoveMany,
  allow: can.arrange("team"),
  run: async ({ input, tx, tell, did }) => {
    const rows = await placementsOf(tx, input.placements, input.team);
    const at = now();
    await touchCollections(tx, [...new Set(rows.map((row) => row.collection))].sort(), at);
    const ids = rows.map((row) => row.id);
    if (ids.length) await tx.update(placement).set({ deletedAt: at }).where(inArray(placement.id, ids));
    for (const row of rows) tell({ subject: row.id, collection: row.collection, verb: "placements.remove" });
    const deed = did(
      rows.length === 1 ? "take an item out" : `take ${rows.length} items out`,
      ids.map((id) => ({ thing: "placement", id, before: { gone: false }, after: { gone: true } })),
    );
    return { removed: rows.length, deed };
  },
});
