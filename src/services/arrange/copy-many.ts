import { placement } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { itemsById } from "@/data/queries/placements";
import { action } from "../action";
import { placementsOf, resourcesOf } from "../all-of-team";
import { Id, Ids, MaybeId, MaybeIds } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";
import { madePlacement } from "./add-placement";
import { takeSpots } from "./place";
import { outOfTray } from "./out-of-tray";

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
  allow: can.bring("collection"),
  run: async ({ input, scope, tx, tell, did }) => {
    const items = await placementsOf(tx, input.placements ?? [], scope.team!);
    const plain = await resourcesOf(tx, input.resources ?? [], scope.team!);
    const wanted = [
      ...items.map(({ resource, heading, context, look }) => ({ resource, heading, context, look })),
      ...plain.map(({ id }) => ({ resource: id, heading: "", context: "", look: "item" as const })),
    ];
    const { section, positions } = await takeSpots(tx, input.collection, input, [], wanted.length);
    const there = await itemsById(tx, input.collection, input.ids, []);
    if (there.length) return { items: there, section, deed: null };
    if (input.ids.length < wanted.length) throw new Problem("not-valid", "Give an id for each of them.");
    const at = now();
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
    if (rows.length) await tx.insert(placement).values(rows);
    const changes = [
      ...rows.map((row) => madePlacement(row.id)),
      ...(await outOfTray(
        tx,
        scope.person!,
        rows.map((row) => row.resource),
        at,
      )),
    ];
    for (const row of rows)
      tell({
        subject: row.id,
        collection: input.collection,
        verb: "placements.add",
        data: { resource: row.resource },
      });
    const deed = did(rows.length === 1 ? "place an item" : `place ${rows.length} items`, changes, "bring");
    return { items: await itemsById(tx, input.collection, ids, []), section, deed };
  },
});
