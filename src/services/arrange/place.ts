import { and, desc, eq, isNull } from "drizzle-orm";
import { placeManyAfter } from "@/core/order/place";
import type { Tx } from "@/data/database";
import { lockCollection } from "@/data/queries/collections";
import { orderOf, respread } from "@/data/queries/placements";
import { touchCollections } from "@/data/queries/resources";
import { placement, section } from "@/data/schema";
import { now } from "@/outside/clock";
import { Problem } from "../problem";
import { mustBeSectionOf } from "../same-team";

/** Where something shall stand: behind an item, or at the end of a section (undefined: of the last one). */
export type Spot = { section?: string | null; after?: string | null };

/** The same for a single thing. */
export async function takeSpot(
  tx: Tx,
  collectionId: string,
  spot: Spot,
  moving: string | null,
): Promise<{ section: string | null; position: string }> {
  const { section, positions } = await takeSpots(tx, collectionId, spot, moving ? [moving] : [], 1);
  return { section, position: positions[0]! };
}

/**
 * Finds the order keys for a spot in a collection, under a lock on the collection, so that movers at the same
 * time wait for each other instead of colliding. Counts the change.
 * @param moving ids of the placements that move; empty for new ones
 */
export async function takeSpots(
  tx: Tx,
  collectionId: string,
  spot: Spot,
  moving: readonly string[],
  count: number,
): Promise<{ section: string | null; positions: string[] }> {
  const locked = await lockCollection(tx, collectionId);
  if (!locked || locked.deletedAt) throw new Problem("not-found");
  const sectionId = await sectionOf(tx, collectionId, spot);
  const others = (await orderOf(tx, collectionId, sectionId)).filter((one) => !moving.includes(one.id));
  // undefined: the end; null: the start.
  const after = spot.after === undefined ? (others.at(-1)?.id ?? null) : spot.after;
  const { positions, respread: moved } = placeManyAfter(others, after, count);
  await respread(tx, placement, moved);
  await touchCollections(tx, [collectionId], now());
  return { section: sectionId, positions };
}

async function sectionOf(tx: Tx, collectionId: string, spot: Spot): Promise<string | null> {
  if (spot.section !== undefined) {
    await mustBeSectionOf(tx, spot.section, collectionId);
    return spot.section;
  }
  if (spot.after) {
    const [row] = await tx
      .select({ section: placement.section })
      .from(placement)
      .where(
        and(
          eq(placement.id, spot.after),
          eq(placement.collection, collectionId),
          isNull(placement.deletedAt),
        ),
      );
    if (row) return row.section;
  }
  const [last] = await tx
    .select({ id: section.id })
    .from(section)
    .where(and(eq(section.collection, collectionId), isNull(section.deletedAt)))
    .orderBy(desc(section.position), desc(section.id))
    .limit(1);
  return last?.id ?? null;
}
