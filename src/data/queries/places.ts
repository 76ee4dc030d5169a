import { and, eq, inArray, isNull } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, placement } from "../schema";

/** Where these resources stand. */
export async function placesOfMany(tx: Tx, ids: readonly string[]) {
  if (!ids.length) return [];
  return tx
    .select({ resource: placement.resource, collection: collection.id, title: collection.title })
    .from(placement)
    .innerJoin(collection, eq(collection.id, placement.collection))
    .where(
      and(inArray(placement.resource, [...ids]), isNull(placement.deletedAt), isNull(collection.deletedAt)),
    )
    .orderBy(placement.id);
}
