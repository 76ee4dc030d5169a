import { and, eq } from "drizzle-orm";
import { asComfort, type Comfort } from "@/core/read/comfort";
import type { Tx } from "../database";
import { readingComfort, readingPlace } from "../schema";

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
