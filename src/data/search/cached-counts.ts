import { and, eq, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { event, cachedCount } from "../schema";

type What = (typeof cachedCount.$inferSelect)["what"];

/** What was counted last, and whether anything happened in the team since; null when it never was. */
export async function readCached<T>(tx: Tx, team: string, what: What) {
  const since = sql<
    0 | 1
  >`EXISTS (SELECT 1 FROM ${event} e WHERE e.team = ${team} AND e.at >= ${cachedCount}.at)`;
  const rows = await tx
    .select({ at: cachedCount.at, counts: cachedCount.counts, old: since })
    .from(cachedCount)
    .where(and(eq(cachedCount.team, team), eq(cachedCount.what, what)));
  return rows[0] ? { at: rows[0].at, counts: rows[0].counts as T, old: Boolean(rows[0].old) } : null;
}

/** Keeps what was counted; of two who counted at once, what the later one began with. */
export async function cacheCounts(
  tx: Tx,
  team: string,
  what: What,
  at: Date,
  counts: unknown,
): Promise<void> {
  await tx
    .insert(cachedCount)
    .values({ team, what, at, counts })
    .onDuplicateKeyUpdate({
      set: {
        counts: sql`IF(VALUES(at) >= ${cachedCount.at}, VALUES(counts), ${cachedCount.counts})`,
        at: sql`GREATEST(VALUES(at), ${cachedCount.at})`,
      },
    });
}
