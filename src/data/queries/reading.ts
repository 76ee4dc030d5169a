import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import { asComfort, type Comfort } from "@/core/read/comfort";
import type { Tx } from "../database";
import { collection, placement, readingComfort, readingPlace, resource, section } from "../schema";
import { queryRows } from "../sql/query-rows";

/** How a person likes to read; as usual, when they have not said. */
export async function comfortOf(tx: Tx, person: string): Promise<Comfort> {
  const rows = await tx.select().from(readingComfort).where(eq(readingComfort.person, person));
  return asComfort(rows[0]?.comfort);
}

export async function saveComfort(tx: Tx, person: string, comfort: Comfort, updatedAt: Date): Promise<void> {
  await tx
    .insert(readingComfort)
    .values({ person, comfort, updatedAt })
    .onDuplicateKeyUpdate({ set: { comfort, updatedAt } });
}

/** Where a person was in a text; null when they were nowhere yet. */
export async function placeOfReading(tx: Tx, person: string, resource: string) {
  const rows = await tx
    .select({ place: readingPlace.place, length: readingPlace.length })
    .from(readingPlace)
    .where(and(eq(readingPlace.person, person), eq(readingPlace.resource, resource)));
  return rows[0] ?? null;
}

export async function savePlace(tx: Tx, row: typeof readingPlace.$inferInsert): Promise<void> {
  const { place, length, updatedAt } = row;
  await tx.insert(readingPlace).values(row).onDuplicateKeyUpdate({ set: { place, length, updatedAt } });
}

/** An item in its collection, as the way on from it: where it stands, and what stands before and after it. */
export type Beside = {
  placement: string;
  collection: string;
  title: string;
  context: string;
  at: number;
  of: number;
  before: Neighbour | null;
  after: Neighbour | null;
};
type Neighbour = { placement: string; resource: string; title: string };

/**
 * Where an item stands in its collection.
 * @param id of the placement; null: the only one of the resource
 * @param sight only in these collections; left out: in all
 * @returns null when it does not stand there, or when nobody said which of several is meant
 */
export async function besideOf(
  tx: Tx,
  of: string,
  id: string | null,
  sight?: ReadonlyMap<string, unknown>,
): Promise<Beside | null> {
  const standing = and(
    eq(placement.resource, of),
    isNull(placement.deletedAt),
    isNull(collection.deletedAt),
    sight && inArray(placement.collection, [...sight.keys()]),
  );
  const found = await tx
    .select({
      ...{ id: placement.id, collection: collection.id, title: collection.title },
      context: placement.context,
    })
    .from(placement)
    .innerJoin(collection, eq(collection.id, placement.collection))
    .where(id ? and(standing, eq(placement.id, id)) : standing)
    .limit(2);
  const [here] = found;
  if (!here || found.length > 1) return null;
  type Row = Record<"placement" | "resource" | "title", string>;
  const rows = await queryRows<Row & { at: number; n: number }>(
    tx,
    sql`WITH all_ AS (
      SELECT ${placement.id} AS placement, ${placement.resource} AS resource,
        IF(${placement.heading} = '', ${resource.title}, ${placement.heading}) AS title,
        row_number() OVER (ORDER BY coalesce(${section.position}, ''), ${placement.position}, ${placement.id}) AS at,
        count(*) OVER () AS n
      FROM ${placement} JOIN ${resource} ON ${resource.id} = ${placement.resource}
        LEFT JOIN ${section} ON ${section.id} = ${placement.section}
      WHERE ${placement.collection} = ${here.collection} AND ${placement.deletedAt} IS NULL AND ${resource.deletedAt} IS NULL
    ) SELECT all_.* FROM all_ JOIN all_ AS here ON here.placement = ${here.id}
      WHERE all_.at BETWEEN here.at - 1 AND here.at + 1 ORDER BY all_.at`,
  );
  const mine = rows.find((row) => row.placement === here.id);
  if (!mine) return null;
  const beside = (at: number): Neighbour | null => {
    const row = rows.find((one) => Number(one.at) === at);
    return row ? { placement: row.placement, resource: row.resource, title: row.title } : null;
  };
  const at = Number(mine.at);
  return {
    ...{ placement: here.id, collection: here.collection, title: here.title, context: here.context },
    ...{ at, of: Number(mine.n), before: beside(at - 1), after: beside(at + 1) },
  };
}
