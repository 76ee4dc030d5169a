import { and, eq, inArray, isNull } from "drizzle-orm";
import type { LentWords } from "@/core/shelves/offered";
import type { Tx } from "../database";
import { collection, credit, placement, section } from "../schema";
import { inParts } from "../sql/by-keys";

export type CreditRow = typeof credit.$inferSelect;

/** From where a collection was taken; null: it was made here. */
export async function creditOf(tx: Tx, of: string): Promise<CreditRow | null> {
  const rows = await tx.select().from(credit).where(eq(credit.collection, of));
  return rows[0] ?? null;
}

/** The same, locked. */
export async function lockCredit(tx: Tx, of: string): Promise<CreditRow | null> {
  const rows = await tx.select().from(credit).where(eq(credit.collection, of)).for("update");
  return rows[0] ?? null;
}

/** Writes down from where a collection was taken. */
export async function addCredit(tx: Tx, row: CreditRow): Promise<void> {
  await tx.insert(credit).values(row);
}

/** Writes down what became of it since. */
export async function writeCredit(
  tx: Tx,
  of: string,
  fields: Partial<Pick<CreditRow, "pairs" | "settled" | "asks">>,
): Promise<void> {
  await tx.update(credit).set(fields).where(eq(credit.collection, of));
}

type Words = Partial<Record<LentWords, string>>;

/** The words of these collections, sections and placements, as far as they are not in the bin. */
export async function ownWords(tx: Tx, ids: readonly string[]): Promise<Map<string, Words>> {
  const words = new Map<string, Words>();
  await inParts(ids, async (part) => {
    const some = [...part];
    for (const { id, ...own } of [
      ...(await tx
        .select({ id: collection.id, title: collection.title, description: collection.description })
        .from(collection)
        .where(and(inArray(collection.id, some), isNull(collection.deletedAt)))),
      ...(await tx
        .select({ id: section.id, title: section.title, intro: section.intro })
        .from(section)
        .where(and(inArray(section.id, some), isNull(section.deletedAt)))),
      ...(await tx
        .select({ id: placement.id, heading: placement.heading, context: placement.context })
        .from(placement)
        .where(and(inArray(placement.id, some), isNull(placement.deletedAt)))),
    ])
      words.set(id, own);
  });
  return words;
}
