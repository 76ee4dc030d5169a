import { eq } from "drizzle-orm";
import { difference } from "@/core/undo/change";
import { touchCollections } from "@/data/queries/resources";
import { placement } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { placementsOf } from "../all-of-team";
import { Id, Ids, MaybeId } from "../input";
import { can } from "../policy";
import { takeSpots } from "./place";

class MoveMany {
  @Ids() placements: string[];
  /** Where to; the items may come from several collections of its team. */
  @Id() collection: string;
  @MaybeId() section?: string | null;
  @MaybeId() after?: string | null;
}

export const moveMany = action({
  name: "placements.move-many",
  about: "Puts items behind another one, in the order given, also from other collections of the team.",
  input: MoveMany,
  allow: can.arrange("collection"),
  run: async ({ input, scope, tx, tell, did }) => {
    const rows = await placementsOf(tx, input.placements, scope.team!);
    const homes = [...new Set(rows.map((row) => row.collection))];
    const at = now();
    // Counting the change locks them, all in one order.
    await touchCollections(tx, [...new Set([...homes, input.collection])].sort(), at);
    const ids = rows.map((row) => row.id);
    const after = input.after && ids.includes(input.after) ? undefined : input.after;
    const { section, positions } = await takeSpots(
      tx,
      input.collection,
      { section: input.section, after },
      ids,
      ids.length,
    );
    const changes = [];
    for (const [i, row] of rows.entries()) {
      const change = { collection: input.collection, section, position: positions[i]! };
      await tx
        .update(placement)
        .set({ ...change, updatedAt: at })
        .where(eq(placement.id, row.id));
      changes.push(difference("placement", row.id, row, change));
      tell({ subject: row.id, collection: input.collection, verb: "placements.move" });
      if (row.collection !== input.collection)
        tell({ subject: row.id, collection: row.collection, verb: "placements.remove" });
    }
    const deed = did(rows.length === 1 ? "move an item" : `move ${rows.length} items`, changes);
    return { moved: rows.length, section, positions, deed };
  },
});
