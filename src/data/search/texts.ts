import { inArray, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { resourceText } from "../schema";

/** Of a long text so much is looked through for passages and phrases, in characters. */
export const READ = 60_000;

/**
 * The reading copies of these resources, from one character to another; those that do not reach so far are left out.
 * @param from counted from 0
 */
export async function textsOf(
  tx: Tx,
  ids: readonly string[],
  from: number,
  to: number,
): Promise<Map<string, string>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select({
      id: resourceText.resource,
      text: sql<string>`SUBSTRING(${resourceText.text}, ${from + 1}, ${to - from})`,
    })
    .from(resourceText)
    .where(inArray(resourceText.resource, [...ids]));
  return new Map(rows.filter((row) => row.text).map((row) => [row.id, row.text]));
}
