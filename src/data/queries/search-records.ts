import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import type { Tx } from "../database";
import { searchRecord } from "../schema";

export type SearchRecordRow = typeof searchRecord.$inferSelect;

/** So many searches of a review are shown. */
const MOST_SHOWN = 200;

/** The same of searches that were made for a review. */
export async function lockSearchRecords(
  tx: Tx,
  ids: readonly string[],
): Promise<Map<string, SearchRecordRow>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select()
    .from(searchRecord)
    .where(inArray(searchRecord.id, [...ids]))
    .orderBy(searchRecord.id)
    .for("update");
  return new Map(rows.map((row) => [row.id, row]));
}

/** A search that was made, in the bin or not; null when there is none. */
export async function findSearchRecord(tx: Tx, id: string): Promise<SearchRecordRow | null> {
  return (await tx.select().from(searchRecord).where(eq(searchRecord.id, id)))[0] ?? null;
}

/** The searches that were made for a review, in the order in which they were written down. */
export async function searchRecordsOf(tx: Tx, roundId: string) {
  return tx
    .select({
      ...{ id: searchRecord.id, kind: searchRecord.kind, source: searchRecord.source },
      ...{ searched: searchRecord.searched, words: searchRecord.words, hits: searchRecord.hits },
    })
    .from(searchRecord)
    .where(and(eq(searchRecord.round, roundId), isNull(searchRecord.deletedAt)))
    .orderBy(asc(searchRecord.id))
    .limit(MOST_SHOWN);
}
