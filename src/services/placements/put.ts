import type { Look } from "@/core/list/view-setting";
import type { Tx } from "@/data/database";
import { findPlacement } from "@/data/queries/placements";
import type { ChangeSet } from "@/mechanism/change-set";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { outOfTray } from "../tray/out-of-tray";
import { type Spot, takeSpot } from "./take-spots";

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

/**
 * Puts a resource in its spot, and takes it out of the person's Tray. An id that stands there already is left alone.
 * @returns the placement's id
 * @throws {Problem} conflict, when the id stands in another collection
 * @example
 * await putPlacement(tx, set, { team, person, collection, resource }); // at its end
 */
export async function putPlacement(tx: Tx, set: ChangeSet, wish: NewPlacement): Promise<string> {
  const id = wish.placement ?? newId();
  const spot = await takeSpot(tx, set, wish.collection, wish, null);
  if (wish.placement) {
    const there = await findPlacement(tx, id);
    if (there && there.collection !== wish.collection) throw new Problem("id-taken");
    if (there) return id;
  }
  await set.add(
    "placement",
    {
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
      createdAt: set.at,
      updatedAt: set.at,
    },
    { say: { resource: wish.resource } },
  );
  await outOfTray(tx, set, wish.person, [wish.resource]);
  return id;
}
