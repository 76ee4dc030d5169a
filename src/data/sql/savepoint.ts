import { sql } from "drizzle-orm";
import type { Tx } from "../database";

/** Marks how everything is now, within the transaction. */
export async function savepoint(tx: Tx): Promise<void> {
  await tx.execute(sql`SAVEPOINT as_it_was`);
}

/** Makes everything as it was marked. */
export async function rollBackTo(tx: Tx): Promise<void> {
  await tx.execute(sql`ROLLBACK TO SAVEPOINT as_it_was`);
}
