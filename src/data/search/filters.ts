import { queryRows } from "../sql/query-rows";
import { and, eq, inArray, type SQL, sql } from "drizzle-orm";
import type { Filters } from "@/core/search/query";
import type { Tx } from "../database";
import { resource, resourceTag, tag } from "../schema";
import { keysFirst, listed } from "../sql/by-keys";

/** What a row of resource must fulfil to be found. */
export type Condition = SQL;

/**
 * The same condition, and that the resource was added after a time.
 * @param at moment before which nothing counts
 * @param condition the other filters, or null
 */
export const addedAfter = (at: Date, condition: Condition | null): Condition =>
  condition ? sql`${condition} AND r.created_at > ${at}` : sql`r.created_at > ${at}`;

/** Names in the filters that were found, as ids. */
export type FoundNames = {
  tags: string[][];
  people: string[];
  collections: string[];
  /** Who asks: of marks that are one person's alone only theirs count. */
  person: string;
  /** For each wish of what is marked the meanings of that name. */
  meanings: string[][];
};

/** The condition on a row `r` of resource that the filters are; null when there are none. */
export function filterOn(team: string, filters: Filters, names: FoundNames): SQL | null {
  const all: SQL[] = [sql`r.team = ${team}`, sql`r.deleted_at IS NULL`];
  const none = all.length;
  const list = (ids: readonly string[]) => (ids.length ? listed(ids) : sql`NULL`);
  for (const ids of names.tags)
    all.push(
      sql`EXISTS (SELECT 1 FROM ${resourceTag} t WHERE t.team = ${team} AND t.tag IN (${list(ids)}) AND t.resource = r.id)`,
    );
  if (filters.site.length)
    all.push(
      sql`(${sql.join(
        filters.site.map((site) => sql`r.host = ${site} OR r.host = ${`www.${site}`}`),
        sql` OR `,
      )})`,
    );
  if (filters.kind.length) all.push(sql`r.kind IN (${list(filters.kind)})`);
  if (filters.by.length) all.push(sql`r.added_by IN (${list(names.people)})`);
  if (filters.in.length)
    all.push(
      sql`EXISTS (SELECT 1 FROM placement pl WHERE pl.resource = r.id AND pl.deleted_at IS NULL AND pl.collection IN (${list(names.collections)}))`,
    );
  if (filters.added?.from) all.push(sql`r.created_at >= ${filters.added.from}`);
  if (filters.added?.to) all.push(sql`r.created_at < ${filters.added.to}`);
  if (filters.length?.from !== null && filters.length?.from !== undefined)
    all.push(sql`r.minutes >= ${filters.length.from}`);
  if (filters.length?.to !== null && filters.length?.to !== undefined)
    all.push(sql`r.minutes <= ${filters.length.to}`);
  for (const state of filters.is) all.push(STATE_IS[state]);
  for (const wish of filters.appraised) all.push(appraisedIs(wish, names.person));
  for (const [i, wish] of filters.marked.entries()) {
    const how =
      wish === "any"
        ? sql`TRUE`
        : wish === "me"
          ? sql`m.person = ${names.person}`
          : sql`m.meaning IN (${list(names.meanings[i] ?? [])})`;
    all.push(
      sql`EXISTS (SELECT 1 FROM mark m WHERE m.resource = r.id AND m.deleted_at IS NULL AND (NOT m.private OR m.person = ${names.person}) AND ${how})`,
    );
  }
  return all.length === none ? null : sql.join(all, sql` AND `);
}

const BY_ANYBODY = sql`EXISTS (SELECT 1 FROM appraisal a WHERE a.resource = r.id AND a.whole AND a.deleted_at IS NULL)`;

/** What each wish of appraisal means for a row `r` of resource; what people think is not looked at. */
function appraisedIs(wish: Filters["appraised"][number], person: string): SQL {
  switch (wish) {
    case "yes":
      return BY_ANYBODY;
    case "no":
      return sql`NOT ${BY_ANYBODY}`;
    case "me":
      return sql`EXISTS (SELECT 1 FROM appraisal a WHERE a.resource = r.id AND a.whole AND a.deleted_at IS NULL AND a.person = ${person})`;
    case "agreed":
      return sql`EXISTS (SELECT 1 FROM agreed g WHERE g.resource = r.id AND g.deleted_at IS NULL)`;
    case "old":
      return sql`EXISTS (SELECT 1 FROM resource_text x WHERE x.resource = r.id AND x.number >
        (SELECT MAX(COALESCE(a.copy, 0)) FROM appraisal a WHERE a.resource = r.id AND a.whole AND a.deleted_at IS NULL))`;
  }
}

/** What each state means for a row `r` of resource. */
export const STATE_IS: Record<Filters["is"][number], SQL> = {
  untagged: sql`NOT EXISTS (SELECT 1 FROM resource_tag t WHERE t.resource = r.id)`,
  unplaced: sql`NOT EXISTS (SELECT 1 FROM placement pl WHERE pl.resource = r.id AND pl.deleted_at IS NULL)`,
  unpictured: sql`r.picture_hash IS NULL`,
  dead: sql`r.fetch_state = 'failed'`,
  twin: sql`r.duplicate_of IS NOT NULL`,
  waiting: sql`r.fetch_state = 'waiting'`,
};

/** Ids of tags by the start of their keys or the whole, for tag: filters. */
export async function tagIdsNamed(tx: Tx, team: string, keys: readonly string[]): Promise<string[][]> {
  if (!keys.length) return [];
  const rows = await tx
    .select({ id: tag.id, key: tag.key })
    .from(tag)
    .where(and(eq(tag.team, team), inArray(tag.key, [...keys])));
  return keys.map((key) => rows.filter((row) => row.key === key).map((row) => row.id));
}

/** Those of some resources that the filters let through. */
export async function passing(tx: Tx, filters: SQL, ids: readonly string[]): Promise<string[]> {
  if (!ids.length) return [];
  const rows = await queryRows<{ id: string }>(
    tx,
    sql`SELECT r.id FROM ${keysFirst(ids)} STRAIGHT_JOIN ${resource} r ON r.id = CAST(k.k AS UUID) WHERE ${filters}`,
  );
  return rows.map((row) => row.id);
}

/**
 * All resources of a team that the filters let through, up to so many; null when there are more.
 * @param most how many may pass
 */
export async function allPassing(tx: Tx, team: string, filters: SQL, most: number): Promise<string[] | null> {
  const rows = await queryRows<{ id: string }>(
    tx,
    sql`SELECT r.id FROM ${resource} r WHERE r.team = ${team} AND r.deleted_at IS NULL AND ${filters} LIMIT ${most + 1}`,
  );
  return rows.length > most ? null : rows.map((row) => row.id);
}
