import { and, desc, eq, gt, ne, type SQL } from "drizzle-orm";
import type { Tx } from "../database";
import { session } from "../schema";

/** The sessions of somebody that hold, that first that was used last. */
export const sessionsOf = (tx: Tx, who: string, at: Date) =>
  tx
    .select({
      ...{ id: session.id, agent: session.userAgent, since: session.createdAt },
      usedAt: session.updatedAt,
    })
    .from(session)
    .where(and(eq(session.userId, who), gt(session.expiresAt, at)))
    .orderBy(desc(session.updatedAt), desc(session.id))
    .limit(200);

/** Ends one session of somebody, or all but one. */
export async function endSessionsOf(
  tx: Tx,
  who: string,
  which: { id: string } | { but: string | null },
): Promise<void> {
  const rest: SQL | undefined =
    "id" in which ? eq(session.id, which.id) : which.but ? ne(session.id, which.but) : undefined;
  await tx.delete(session).where(and(eq(session.userId, who), rest));
}
