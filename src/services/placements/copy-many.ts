import { itemsById } from "@/data/queries/placements";
import { action } from "@/mechanism/action";
import { Id, Ids, MaybeId, MaybeIds } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { countOf } from "@/mechanism/say-count";
import { newId } from "@/outside/random";
import { mustReach, mustReachResources } from "@/mechanism/sight";
import { outOfTray } from "../tray/out-of-tray";
import { takeSpots } from "./take-spots";

class CopyMany {
  /** Items to stand here too, with their headings and context lines … */
  @MaybeIds() placements?: string[];
  /** … or resources of the catalogue. */
  @MaybeIds() resources?: string[];
  @Id() collection: string;
  @MaybeId() section?: string | null;
  @MaybeId() after?: string | null;
  /** Ids for the new items; sent twice they are placed once. */
  @Ids() ids: string[];
}

export const copyMany = action({
  name: "placements.copy-many",
  about: "Places several things here too, in the order given. Each stays the one resource it is.",
  input: CopyMany,
  allow: can.bringHere("collection"),
  locks: ({ input }) => ({
    collections: [input.collection],
    placements: input.placements,
    alive: input.resources,
  }),
  history: ({ changes }) => `place ${countOf(changes, "placement", "an item", "items")}`,
  run: async ({ input, scope, tx, locked, at, add, set }) => {
    const items = locked.placementsOf(input.placements ?? [], scope.team!);
    const plain = locked.resourcesOf(input.resources ?? [], scope.team!);
    const homes = items.map((one) => one.collection);
    mustReach(scope, homes, "see");
    await mustReachResources(tx, scope, input.resources ?? [], "see");
    const wanted = [
      ...items.map(({ resource, heading, context, look, credit, shownLive }) => ({
        ...{ resource, heading, context, look, credit, shownLive },
      })),
      ...plain.map(({ id }) => ({
        resource: id,
        heading: "",
        context: "",
        look: "item" as const,
        credit: null,
        shownLive: null,
      })),
    ];
    const { section, positions } = await takeSpots(tx, set, input.collection, input, [], wanted.length);
    const there = await itemsById(tx, input.collection, input.ids, []);
    if (there.length) return { items: there, section };
    if (input.ids.length < wanted.length) throw new Problem("ids-missing");
    const ids = input.ids.slice(0, wanted.length);
    const rows = wanted.map((one, i) => ({
      ...one,
      id: ids[i] ?? newId(),
      team: scope.team!,
      collection: input.collection,
      section,
      position: positions[i]!,
      addedBy: scope.person!,
      createdAt: at,
      updatedAt: at,
    }));
    await add("placement", rows, { say: ({ resource }) => ({ resource }) });
    await outOfTray(
      tx,
      set,
      scope.person!,
      rows.map((row) => row.resource),
    );
    return { items: await itemsById(tx, input.collection, ids, []), section };
  },
});
