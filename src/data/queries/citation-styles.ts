import { and, asc, eq, isNull, sql } from "drizzle-orm";
import type { StyleId } from "@/core/cite/styles";
import type { Tx } from "../database";
import { citationStyle, collection, team } from "../schema";
import { queryRows } from "../sql/query-rows";

/** In which style a collection is cited: its own, else that of the nearest it stands in, else its team's; empty: none is set. */
export async function styleSetFor(tx: Tx, id: string): Promise<StyleId> {
  const [found] = await queryRows<{ style: StyleId }>(
    tx,
    sql`
    WITH RECURSIVE way (parent, team, style, step) AS (
      SELECT parent, team, citation_style, 0 FROM collection WHERE id = ${id}
      UNION ALL
      SELECT up.parent, up.team, up.citation_style, step + 1 FROM way JOIN collection up ON up.id = way.parent
        WHERE up.deleted_at IS NULL AND step < 20
    )
    SELECT style FROM (
      SELECT style, step FROM way
      UNION ALL SELECT team.citation_style, 99 FROM way JOIN team ON team.id = way.team WHERE step = 0
    ) AS set_styles WHERE style <> '' ORDER BY step LIMIT 1`,
  );
  return found?.style ?? "";
}

/** Sets the style of a team; empty: none. */
export async function setTeamStyle(tx: Tx, id: string, citationStyle: StyleId): Promise<void> {
  await tx.update(team).set({ citationStyle }).where(eq(team.id, id));
}

/** The styles a team has added and not taken off its list, by their names. */
export const stylesOf = (tx: Tx, of: string, most: number): Promise<{ id: StyleId; name: string }[]> =>
  tx
    .select({ id: citationStyle.style, name: citationStyle.name })
    .from(citationStyle)
    .where(and(eq(citationStyle.team, of), isNull(citationStyle.removedAt)))
    .orderBy(asc(citationStyle.name))
    .limit(most);

/** A style of a team's own, on its list or not. */
export async function ownStyle(tx: Tx, of: string, style: StyleId) {
  const [found] = await tx
    .select({ id: citationStyle.id, name: citationStyle.name, xml: citationStyle.xml })
    .from(citationStyle)
    .where(and(eq(citationStyle.team, of), eq(citationStyle.style, style)));
  return found ?? null;
}

/** The team a collection belongs to. */
export async function teamOf(tx: Tx, id: string): Promise<string | null> {
  const [found] = await tx.select({ team: collection.team }).from(collection).where(eq(collection.id, id));
  return found?.team ?? null;
}

/** Adds a style to the list of a team; one that was there before is on it again. */
export async function addStyle(tx: Tx, row: typeof citationStyle.$inferInsert): Promise<void> {
  await tx
    .insert(citationStyle)
    .values(row)
    .onDuplicateKeyUpdate({ set: { removedAt: null } });
}

/** Takes a style off the list of a team, or puts it back; whatever is set in it stays so. */
export async function offerStyle(tx: Tx, of: string, style: StyleId, removedAt: Date | null): Promise<void> {
  await tx
    .update(citationStyle)
    .set({ removedAt })
    .where(and(eq(citationStyle.team, of), eq(citationStyle.style, style)));
}
