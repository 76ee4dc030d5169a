import { itemsById } from "@/data/queries/placements";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { mustReachResources } from "@/mechanism/sight";
import { putPlacement } from "./put";

class AddPlacement {
  @Id() collection: string;
  @Id() resource: string;
  @MaybeId() section?: string | null;
  @MaybeId() after?: string | null;
  @MaybeId() placement?: string;
  @MaybeText(300) heading?: string;
  @MaybeText(4000) context?: string;
}

export const addPlacement = action({
  name: "placements.add",
  about: "Places a resource in a collection. A placement id sent twice places it once.",
  input: AddPlacement,
  allow: can.bringHere("collection"),
  locks: ({ input }) => ({ collections: [input.collection], alive: [input.resource] }),
  history: "place an item",
  run: async ({ input, scope, tx, locked, set }) => {
    locked.mustBeOfTeam("resource", input.resource, scope.team);
    await mustReachResources(tx, scope, [input.resource], "see");
    const id = await putPlacement(tx, set, { ...input, team: scope.team!, person: scope.person! });
    return { item: (await itemsById(tx, input.collection, [id], []))[0] };
  },
});
