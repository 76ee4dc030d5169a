import { and, eq, isNull } from "drizzle-orm";
import type { Tx } from "../database";
import { wish } from "../schema";

export type WishRow = typeof wish.$inferSelect;

/** What is wished of a thing in a round, taken back or not; null when nothing ever was. */
export async function findWish(tx: Tx, by: { round: string; resource: string }): Promise<WishRow | null> {
  const rows = await tx
    .select()
    .from(wish)
    .where(and(eq(wish.round, by.round), eq(wish.resource, by.resource)));
  return rows[0] ?? null;
}

/** What is wished of the things of a round. */
export async function shortlistOf(tx: Tx, id: string) {
  return tx
    .select({
      ...{ resource: wish.resource, price: wish.price },
      ...{ number: wish.number, priority: wish.priority },
    })
    .from(wish)
    .where(and(eq(wish.round, id), isNull(wish.deletedAt)));
}
