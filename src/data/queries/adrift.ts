import { and, eq, inArray, isNotNull, isNull, ne, or } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, placement, section } from "../schema";

/**
 * Whether one of these items, if it is not in the bin itself, stands in a section or collection that is not there; or,
 * also in the bin, in a section of another collection than its own.
 */
export async function isAnyItemAdrift(tx: Tx, ids: readonly string[]): Promise<boolean> {
  const rows = await tx
    .select({ id: placement.id })
    .from(placement)
    .innerJoin(collection, eq(collection.id, placement.collection))
    .leftJoin(section, eq(section.id, placement.section))
    .where(
      and(
        inArray(placement.id, [...ids]),
        or(
          ne(section.collection, placement.collection),
          and(
            isNull(placement.deletedAt),
            or(
              isNotNull(collection.deletedAt),
              and(isNotNull(placement.section), or(isNull(section.id), isNotNull(section.deletedAt))),
            ),
          ),
        ),
      ),
    )
    .limit(1);
  return rows.length > 0;
}

/** Whether an item stands in one of these sections. */
export async function isAnythingIn(tx: Tx, sections: readonly string[]): Promise<boolean> {
  const rows = await tx
    .select({ id: placement.id })
    .from(placement)
    .where(and(inArray(placement.section, [...sections]), isNull(placement.deletedAt)))
    .limit(1);
  return rows.length > 0;
}

/** Whether a collection that is not in the bin stands in one of these. */
export async function isAnyCollectionIn(tx: Tx, parents: readonly string[]): Promise<boolean> {
  const rows = await tx
    .select({ id: collection.id })
    .from(collection)
    .where(and(inArray(collection.parent, [...parents]), isNull(collection.deletedAt)))
    .limit(1);
  return rows.length > 0;
}
