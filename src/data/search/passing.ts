import { queryRows } from "../sql/query-rows";
import { type SQL, sql } from "drizzle-orm";
import type { Hit } from "@/core/search/rank";
import type { Tx } from "../database";
import { mark, resource, resourceTag } from "../schema";
import { keysFirst } from "../sql/by-keys";
import { type Condition, isMarked, whole } from "./filters";

const idsOf = async (tx: Tx, query: SQL) => (await queryRows<{ id: string }>(tx, query)).map(({ id }) => id);

/** Those of some resources that the filters let through. */
export async function passing(tx: Tx, filters: Condition, ids: readonly string[]): Promise<string[]> {
  if (!ids.length) return [];
  const { row, marks } = filters;
  const key = sql`CAST(k.k AS UUID)`;
  const marked = marks.map((one) => isMarked(key, one));
  // An index says of most that they are not marked, before their rows are read. DISTINCT keeps that a step of its own.
  const keys = marked.length
    ? sql`(SELECT DISTINCT ${key} AS id FROM ${keysFirst(ids)} WHERE ${sql.join(marked, sql` AND `)}) k`
    : keysFirst(ids);
  const is = sql`r.id = ${marked.length ? sql`k.id` : key}`;
  return idsOf(tx, sql`SELECT r.id FROM ${keys} STRAIGHT_JOIN ${resource} r ON ${is} WHERE ${row}`);
}

/**
 * All resources of a team that the filters let through, up to so many; null when there are more.
 * @param most how many may pass
 */
export async function allPassing(
  tx: Tx,
  team: string,
  filters: Condition,
  most: number,
): Promise<string[] | null> {
  const query = filters.marks.length
    ? fromMarks(filters, null)
    : sql`SELECT r.id FROM ${resource} r WHERE r.team = ${team} AND r.deleted_at IS NULL AND ${filters.row}`;
  const ids = await idsOf(tx, sql`${query} LIMIT ${most + 1}`);
  return ids.length > most ? null : ids;
}

/** Resources by filters alone, newest first. Each form reads an index that is in that order already. */
export async function newestPassing(
  tx: Tx,
  team: string,
  filters: Condition | null,
  { tags, after, most }: { tags: readonly string[]; after: string | null; most: number },
): Promise<Hit[]> {
  const also = filters ? sql`AND ${whole(filters)}` : sql``;
  const query =
    tags.length === 1
      ? sql`SELECT t.resource AS id FROM ${resourceTag} t STRAIGHT_JOIN ${resource} r ON r.id = t.resource
            WHERE t.team = ${team} AND t.tag = ${tags[0]} ${after ? sql`AND t.resource < ${after}` : sql``} ${also}
            ORDER BY t.resource DESC`
      : filters?.marks.length
        ? sql`${fromMarks(filters, after)} ORDER BY m.resource DESC`
        : sql`SELECT r.id AS id FROM ${resource} r ${filters ? sql`` : sql`FORCE INDEX (resource_newest)`}
            WHERE r.team = ${team} AND r.deleted_at IS NULL ${after ? sql`AND r.id < ${after}` : sql``} ${also}
            ORDER BY r.id DESC`;
  return (await idsOf(tx, sql`${query} LIMIT ${most}`)).map((id) => ({ id, score: 0 }));
}

/** What is marked, each once, from its marks on: they are far fewer than what a team has. @param after only what is older */
function fromMarks({ row, marks: [first, ...others] }: Condition, after: string | null): SQL {
  const rest = whole({ row, marks: others });
  return sql`SELECT m.resource AS id FROM ${mark} m FORCE INDEX (mark_marked) STRAIGHT_JOIN ${resource} r ON r.id = m.resource
    WHERE ${first} ${after ? sql`AND m.resource < ${after}` : sql``} AND ${rest} GROUP BY m.resource`;
}
