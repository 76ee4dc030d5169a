import { eq, sql } from "drizzle-orm";
import type { StyleId } from "@/core/cite/styles";
import type { Tx } from "../database";
import { team } from "../schema";
import { queryRows } from "../sql/query-rows";

/** In which style a collection is cited: its own, else that of the nearest it stands in, else its team's; empty: none is set. */
export async function styleSetFor(tx: Tx, id: string): Promise<StyleId | ""> {
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
export async function setTeamStyle(tx: Tx, id: string, citationStyle: StyleId | ""): Promise<void> {
  await tx.update(team).set({ citationStyle }).where(eq(team.id, id));
}
