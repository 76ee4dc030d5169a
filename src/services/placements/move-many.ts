import { action } from "@/mechanism/action";
import { Id, Ids, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { countOf } from "@/mechanism/say-count";
import { mustReach } from "@/mechanism/sight";
import { takeSpots } from "./take-spots";

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
  allow: can.arrangeHere("collection"),
  locks: ({ input }) => ({ collections: [input.collection], placements: input.placements }),
  history: ({ changes }) => `move ${countOf(changes, "placement", "an item", "items")}`,
  run: async ({ input, scope, tx, locked, change, set }) => {
    const rows = locked.placementsOf(input.placements, scope.team!);
    const ids = rows.map((row) => row.id);
    const homes = rows.map((row) => row.collection);
    mustReach(scope, homes, "arrange");
    const after = input.after && ids.includes(input.after) ? undefined : input.after;
    const { section, positions } = await takeSpots(
      tx,
      set,
      input.collection,
      { section: input.section, after },
      ids,
      ids.length,
    );
    await change("placement", rows, (_, i) => ({
      collection: input.collection,
      section,
      position: positions[i]!,
    }));
    return { moved: rows.length, section, positions };
  },
});
