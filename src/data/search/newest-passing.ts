import { queryRows } from "../sql/query-rows";
import { type SQL, sql } from "drizzle-orm";
import type { Hit } from "@/core/search/rank";
import type { Tx } from "../database";
import { resource, resourceTag } from "../schema";

/** Resources by filters alone, newest first. Each form reads an index that is in that order already. */
export async function findByFilters(
  tx: Tx,
  team: string,
  filters: SQL | null,
  { tags, after, most }: { tags: readonly string[]; after: string | null; most: number },
): Promise<Hit[]> {
  const query =
    tags.length === 1
      ? sql`SELECT t.resource AS id FROM ${resourceTag} t STRAIGHT_JOIN ${resource} r ON r.id = t.resource
            WHERE t.team = ${team} AND t.tag = ${tags[0]} ${after ? sql`AND t.resource < ${after}` : sql``} AND ${filters}
            ORDER BY t.resource DESC`
      : sql`SELECT r.id AS id FROM ${resource} r ${filters ? sql`` : sql`FORCE INDEX (resource_newest)`}
            WHERE r.team = ${team} AND r.deleted_at IS NULL ${after ? sql`AND r.id < ${after}` : sql``} ${filters ? sql`AND ${filters}` : sql``}
            ORDER BY r.id DESC`;
  const rows = await queryRows<{ id: string }>(tx, sql`${query} LIMIT ${most}`);
  return rows.map(({ id }) => ({ id, score: 0 }));
}
