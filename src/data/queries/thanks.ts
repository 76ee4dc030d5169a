import { and, count, desc, eq, gte, isNull } from "drizzle-orm";
import type { Tx } from "../database";
import { thanks } from "../schema";

export type ThanksRow = typeof thanks.$inferSelect;

export async function addThanks(tx: Tx, row: ThanksRow): Promise<void> {
  // Sent twice at the same moment it is there once.
  await tx
    .insert(thanks)
    .values(row)
    .onDuplicateKeyUpdate({ set: { id: row.id } });
}

export const findThanks = async (tx: Tx, id: string): Promise<ThanksRow | null> =>
  (await tx.select().from(thanks).where(eq(thanks.id, id)))[0] ?? null;

export async function countThanks(tx: Tx, collection: string): Promise<number> {
  return (await tx.select({ n: count() }).from(thanks).where(eq(thanks.collection, collection)))[0]!.n;
}

/** Whether somebody has said so without a word since then. */
export async function hasWordless(tx: Tx, collection: string, since: Date): Promise<boolean> {
  const rows = await tx
    .select({ id: thanks.id })
    .from(thanks)
    .where(
      and(
        eq(thanks.collection, collection),
        isNull(thanks.awayAt),
        gte(thanks.createdAt, since),
        eq(thanks.words, ""),
        eq(thanks.name, ""),
      ),
    )
    .limit(1);
  return rows.length > 0;
}

/** What was said of a collection and not put away, that first that came last. */
export const thanksOf = (tx: Tx, collection: string, most: number) =>
  tx
    .select({ id: thanks.id, words: thanks.words, name: thanks.name, createdAt: thanks.createdAt })
    .from(thanks)
    .where(and(eq(thanks.collection, collection), isNull(thanks.awayAt)))
    .orderBy(desc(thanks.createdAt), desc(thanks.id))
    .limit(most);

export async function setThanksAway(tx: Tx, id: string, awayAt: Date | null): Promise<void> {
  await tx.update(thanks).set({ awayAt }).where(eq(thanks.id, id));
}
