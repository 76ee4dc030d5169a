import type { SQL } from "drizzle-orm";
import type { Tx } from "../database";

/**
 * The rows of a statement that is written by hand, because Drizzle has no words for it or takes too long over them.
 * @typeParam Row what a row has; the database does not check it
 * @throws the driver's error under Drizzle's, with its number in `cause.errno`
 */
export async function queryRows<Row>(tx: Tx, statement: SQL): Promise<Row[]> {
  const [rows] = (await tx.execute(statement)) as unknown as [Row[]];
  return rows;
}

/**
 * Runs a statement that changes rows.
 * @returns how many it matched
 */
export async function changeRows(tx: Tx, statement: SQL): Promise<number> {
  const [answer] = (await tx.execute(statement)) as unknown as [{ affectedRows: number }];
  return answer.affectedRows;
}

/** A moment as such a row has it: in UTC, without saying so. */
export const utc = (text: string): Date => new Date(`${text.replace(" ", "T")}Z`);
