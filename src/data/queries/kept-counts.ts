import { and, eq, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { event, keptCount } from "../schema";

type What = (typeof keptCount.$inferSelect)["what"];

/** What was counted last, and whether anything happened in the team since; null when it never was. */
export async function readKept<T>(tx: Tx, team: string, what: What) {
  const since = sql<
    0 | 1
  >`EXISTS (SELECT 1 FROM ${event} e WHERE e.team = ${team} AND e.at >= ${keptCount}.at)`;
  const rows = await tx
    .select({ at: keptCount.at, counts: keptCount.counts, old: since })
    .from(keptCount)
    .where(and(eq(keptCount.team, team), eq(keptCount.what, what)));
  return rows[0] ? { at: rows[0].at, counts: rows[0].counts as T, old: Boolean(rows[0].old) } : null;
}

/** Keeps what was counted; of two who counted at once, what the later one began with. */
export async function keep(tx: Tx, team: string, what: What, at: Date, counts: unknown): Promise<void> {
  await tx
    .insert(keptCount)
    .values({ team, what, at, counts })
    .onDuplicateKeyUpdate({
      set: {
        counts: sql`IF(VALUES(at) >= ${keptCount.at}, VALUES(counts), ${keptCount.counts})`,
        at: sql`GREATEST(VALUES(at), ${keptCount.at})`,
      },
    });
}
