import { action } from "@/mechanism/action";
import { Id, Ids } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { countOf } from "@/mechanism/say-count";
import { mustReach } from "@/mechanism/sight";

class RemoveMany {
  @Id() team: string;
  @Ids() placements: string[];
}

export const removeMany = action({
  name: "placements.remove-many",
  about: "Takes several items out of their collections, into the bin. The resources stay in the catalogue.",
  input: RemoveMany,
  allow: can.arrangeHere("team"),
  locks: ({ input }) => ({ placements: input.placements }),
  history: ({ changes }) => `take ${countOf(changes, "placement", "an item", "items")} out`,
  run: async ({ input, scope, locked, remove }) => {
    const rows = locked.placementsOf(input.placements, input.team);
    const homes = rows.map((row) => row.collection);
    mustReach(scope, homes, "arrange");
    await remove("placement", rows);
    return { removed: rows.length };
  },
});
