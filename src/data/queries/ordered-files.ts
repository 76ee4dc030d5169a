import { and, count, desc, eq, gt, lt, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { orderedFile } from "../schema";
import { queryRows } from "../sql/query-rows";

export type OrderRow = typeof orderedFile.$inferSelect;

/** Notes that a file is to be made; an id sent twice orders one. */
export async function addOrder(tx: Tx, row: typeof orderedFile.$inferInsert): Promise<void> {
  await tx.insert(orderedFile).ignore().values(row);
}

export async function findOrder(tx: Tx, id: string): Promise<OrderRow | null> {
  return (await tx.select().from(orderedFile).where(eq(orderedFile.id, id)))[0] ?? null;
}

/** What a person has ordered of a collection and can still fetch, or waits for, the newest first. */
export const ordersOf = (tx: Tx, person: string, collection: string, at: Date) =>
  tx
    .select()
    .from(orderedFile)
    .where(
      and(eq(orderedFile.person, person), eq(orderedFile.collection, collection), gt(orderedFile.until, at)),
    )
    .orderBy(desc(orderedFile.id))
    .limit(20);

/** How many files are being made for a person. */
export async function ordersRunning(tx: Tx, person: string): Promise<number> {
  const [found] = await tx
    .select({ n: count() })
    .from(orderedFile)
    .where(and(eq(orderedFile.person, person), eq(orderedFile.state, "running")));
  return found!.n;
}

/** Says how far it is, or what has become of it. */
export async function setOrder(
  tx: Tx,
  id: string,
  fields: Partial<
    Pick<OrderRow, "state" | "step" | "done" | "total" | "name" | "type" | "hash" | "bytes" | "problem">
  >,
): Promise<void> {
  await tx.update(orderedFile).set(fields).where(eq(orderedFile.id, id));
}

/** Clears what nobody can fetch any more; its file is then held by nobody. */
export async function clearOrders(tx: Tx, at: Date): Promise<void> {
  await tx.delete(orderedFile).where(lt(orderedFile.until, at));
}

/** How many items stand in a collection and in those inside it. */
export async function itemsWithin(tx: Tx, id: string): Promise<number> {
  const [found] = await queryRows<{ n: number }>(
    tx,
    sql`
    WITH RECURSIVE within (id, step) AS (
      SELECT id, 0 FROM collection WHERE id = ${id}
      UNION ALL
      SELECT one.id, step + 1 FROM within JOIN collection one ON one.parent = within.id
        WHERE one.deleted_at IS NULL AND step < 20
    )
    SELECT count(*) AS n FROM within JOIN placement p ON p.collection = within.id WHERE p.deleted_at IS NULL`,
  );
  return Number(found!.n);
}
