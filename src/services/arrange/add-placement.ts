import type { Look } from "@/core/list/view-setting";
import type { Change } from "@/core/undo/change";
import type { Tx } from "@/data/database";
import { findPlacement, itemsById } from "@/data/queries/placements";
import { placement } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Id, MaybeId, MaybeText } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";
import { mustBeOfTeam } from "../same-team";
import { outOfTray } from "./out-of-tray";
import { type Spot, takeSpot } from "./place";

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
  allow: can.bring("collection"),
  run: async ({ input, scope, tx, tell, did }) => {
    await mustBeOfTeam(tx, "resource", input.resource, scope.team);
    const { id, changes } = await putPlacement(tx, { ...input, team: scope.team!, person: scope.person! });
    tell({ subject: id, collection: input.collection, data: { resource: input.resource } });
    did("place an item", changes, "bring");
    return { item: (await itemsById(tx, input.collection, [id], []))[0] };
  },
});

/** The change that a new placement is. */
export const madePlacement = (id: string): Change => ({
  thing: "placement",
  id,
  before: { gone: true },
  after: { gone: false },
});

type NewPlacement = Spot & {
  team: string;
  person: string;
  collection: string;
  resource: string;
  placement?: string;
  heading?: string;
  context?: string;
  look?: Look;
};

/** Puts a resource in its spot, and takes it out of the person's Tray. @returns the placement's id, and what changed */
export async function putPlacement(tx: Tx, wish: NewPlacement): Promise<{ id: string; changes: Change[] }> {
  const id = wish.placement ?? newId();
  const spot = await takeSpot(tx, wish.collection, wish, null);
  if (wish.placement) {
    const there = await findPlacement(tx, id);
    if (there && there.collection !== wish.collection) throw new Problem("conflict", "That id is taken.");
    if (there) return { id, changes: [] };
  }
  const at = now();
  await tx.insert(placement).values({
    id,
    team: wish.team,
    collection: wish.collection,
    section: spot.section,
    position: spot.position,
    resource: wish.resource,
    heading: wish.heading ?? "",
    context: wish.context ?? "",
    look: wish.look ?? "item",
    addedBy: wish.person,
    createdAt: at,
    updatedAt: at,
  });
  return { id, changes: [madePlacement(id), ...(await outOfTray(tx, wish.person, [wish.resource], at))] };
}
