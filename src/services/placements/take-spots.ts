import { placeManyAfter } from "@/core/order/place";
import type { Tx } from "@/data/database";
import { lockCollection } from "@/data/queries/collections";
import { orderOfItems } from "@/data/queries/order";
import { sectionOfItem } from "@/data/queries/placements";
import { lastSection } from "@/data/queries/sections";
import type { ChangeSet } from "@/mechanism/change-set";
import { Problem } from "@/mechanism/problem";
import { mustBeSectionOf } from "@/mechanism/section-of";

/** Where something shall stand: behind an item, or at the end of a section (undefined: of the last one). */
export type Spot = { section?: string | null; after?: string | null };

/** The same for a single thing. */
export async function takeSpot(
  tx: Tx,
  set: ChangeSet,
  collectionId: string,
  spot: Spot,
  moving: string | null,
): Promise<{ section: string | null; position: string }> {
  const { section, positions } = await takeSpots(tx, set, collectionId, spot, moving ? [moving] : [], 1);
  return { section, position: positions[0]! };
}

/**
 * Finds the order keys for a spot in a collection, under a lock on the collection, so that movers at the same
 * time wait for each other instead of colliding.
 * @param moving ids of the placements that move; empty for new ones
 */
export async function takeSpots(
  tx: Tx,
  set: ChangeSet,
  collectionId: string,
  spot: Spot,
  moving: readonly string[],
  count: number,
): Promise<{ section: string | null; positions: string[] }> {
  const locked = await lockCollection(tx, collectionId);
  if (!locked || locked.deletedAt) throw new Problem("not-found");
  const sectionId = await sectionOf(tx, collectionId, spot);
  const others = (await orderOfItems(tx, collectionId, sectionId)).filter((one) => !moving.includes(one.id));
  // undefined: the end; null: the start.
  const after = spot.after === undefined ? (others.at(-1)?.id ?? null) : spot.after;
  const { positions, respread: moved } = placeManyAfter(others, after, count);
  await set.respread("placement", moved, others);
  return { section: sectionId, positions };
}

async function sectionOf(tx: Tx, collectionId: string, spot: Spot): Promise<string | null> {
  if (spot.section !== undefined) {
    await mustBeSectionOf(tx, spot.section, collectionId);
    return spot.section;
  }
  const beside = spot.after ? await sectionOfItem(tx, spot.after, collectionId) : undefined;
  return beside === undefined ? lastSection(tx, collectionId) : beside;
}
