import { and, eq, inArray, type SQL, sql } from "drizzle-orm";
import type { Filters } from "@/core/search/query";
import type { Tx } from "../database";
import { mark as markTable, resourceTag, tag } from "../schema";
import { listed } from "../sql/by-keys";

/** What a resource must fulfil to be found. */
export type Condition = {
  /** What its row `r`, and what stands beside that, must. */
  row: SQL;
  /** For each wish of what is marked, what a mark `m` on it must. It stands in the order of mark_marked. */
  marks: readonly SQL[];
};

/** All of it, on a row `r`. */
export const whole = ({ row, marks }: Condition): SQL =>
  sql.join([row, ...marks.map((mark) => isMarked(sql`r.id`, mark))], sql` AND `);

/** Whether there is such a mark on the resource of this id. */
export const isMarked = (id: SQL, mark: SQL): SQL =>
  sql`EXISTS (SELECT 1 FROM ${markTable} m WHERE m.resource = ${id} AND ${mark})`;

/**
 * The same condition, and that the resource was added after a time.
 * @param at moment before which nothing counts
 * @param condition the other filters, or null
 */
export const addedAfter = (at: Date, condition: Condition | null): Condition => {
  const after = sql`r.created_at > ${at}`;
  return condition ? { ...condition, row: sql`${condition.row} AND ${after}` } : { row: after, marks: [] };
};

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

/** The condition that the filters are; null when there are none. */
export function filterOn(team: string, filters: Filters, names: FoundNames): Condition | null {
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
  const seen = sql`m.team = ${team} AND m.deleted_at IS NULL AND (NOT m.private OR m.person = ${names.person})`;
  const marks = filters.marked.map((wish, i) => {
    if (wish === "any") return seen;
    if (wish === "me") return sql`${seen} AND m.person = ${names.person}`;
    return sql`${seen} AND m.meaning IN (${list(names.meanings[i] ?? [])})`;
  });
  return all.length + marks.length === none ? null : { row: sql.join(all, sql` AND `), marks };
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
