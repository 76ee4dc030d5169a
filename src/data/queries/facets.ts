import { type SQL, sql } from "drizzle-orm";
import { type Count, type Facets, LENGTHS, lengthClass } from "@/core/search/facets";
import type { Tx } from "../database";
import { person, resource, resourceTag, tag } from "../schema";
import { asMonth } from "./as-month";
import { STATE_IS } from "./filters";
import { usesInBin } from "./tags";

const rowsOf = async <T>(tx: Tx, query: SQL): Promise<T[]> => {
  const [rows] = (await tx.execute(query)) as unknown as [T[]];
  return rows;
};

/**
 * How many of the resources there are of each kind, site, tag, person, month, length and state.
 * @param among condition on a row `r` of resource
 * @param whole whether these are all resources of the team; then each list is read from its index alone
 */
export async function countFacets(tx: Tx, team: string, among: SQL, whole: boolean): Promise<Facets> {
  const counted = async (value: SQL, most = 50): Promise<Count[]> =>
    (
      await rowsOf<{ value: string | null; n: number }>(
        tx,
        sql`SELECT ${value} AS value, COUNT(*) AS n FROM ${resource} r WHERE ${among} GROUP BY value ORDER BY n DESC, value LIMIT ${most}`,
      )
    )
      .filter((row) => row.value !== null && row.value !== "")
      .map((row) => ({ value: String(row.value), words: String(row.value), count: Number(row.n) }));
  const tags = rowsOf<{ id: string; name: string; n: number }>(
    tx,
    whole
      ? sql`SELECT g.id, g.name, c.n FROM (SELECT tag, COUNT(*) AS n FROM ${resourceTag} WHERE team = ${team} GROUP BY tag ORDER BY n DESC LIMIT 60) c JOIN ${tag} g ON g.id = c.tag`
      : sql`SELECT g.id, g.name, COUNT(*) AS n FROM ${resource} r JOIN ${resourceTag} t ON t.resource = r.id JOIN ${tag} g ON g.id = t.tag WHERE ${among} GROUP BY g.id, g.name ORDER BY n DESC, g.name LIMIT 60`,
  );
  const binned = whole ? usesInBin(tx, team) : new Map<string, number>();
  const people = rowsOf<{ name: string; n: number }>(
    tx,
    sql`SELECT p.name AS name, c.n AS n FROM (SELECT r.added_by AS who, COUNT(*) AS n FROM ${resource} r WHERE ${among} GROUP BY r.added_by) c JOIN ${person} p ON p.id = c.who ORDER BY c.n DESC, p.name LIMIT 50`,
  );
  const named = (rows: { name: string; n: number }[]): Count[] =>
    rows.map((row) => ({ value: row.name, words: row.name, count: Number(row.n) }));
  // Of the whole team by the list of its tags alone; what is tagged and in the bin is not in it.
  const untagged = whole
    ? sql`COUNT(*) - (SELECT COUNT(DISTINCT t.resource) FROM ${resourceTag} t WHERE t.team = ${team})
        + (SELECT COUNT(*) FROM ${resource} r WHERE r.team = ${team} AND r.deleted_at IS NOT NULL AND NOT (${STATE_IS.untagged}))`
    : sql`SUM(${STATE_IS.untagged})`;
  const states = rowsOf<Record<string, string | number | null>>(
    tx,
    sql`SELECT ${untagged} AS untagged, SUM(${STATE_IS.unplaced}) AS unplaced, SUM(${STATE_IS.unpictured}) AS unpictured, SUM(${STATE_IS.dead}) AS dead, SUM(${STATE_IS.twin}) AS twin, SUM(${STATE_IS.waiting}) AS waiting FROM ${resource} r WHERE ${among}`,
  );
  const bounds = sql.join(
    LENGTHS.map((most, i) => sql`WHEN r.minutes <= ${sql.raw(String(most))} THEN ${sql.raw(String(i))}`),
    sql` `,
  );
  const [kinds, sites, months, lengths, tagRows, inBin, peopleRows, [state]] = await Promise.all([
    counted(sql`r.kind`),
    counted(sql`r.host`, 60),
    counted(sql`EXTRACT(YEAR_MONTH FROM r.created_at)`, 36),
    counted(sql`CASE WHEN r.minutes IS NULL THEN NULL ${bounds} ELSE ${sql.raw(String(LENGTHS.length))} END`),
    tags,
    binned,
    people,
    states,
  ]);
  return {
    kinds,
    sites,
    months: months
      .map(({ value, count }) => ({ value: asMonth(value), words: asMonth(value), count }))
      .sort((a, b) => (a.value < b.value ? 1 : -1)),
    lengths: lengths
      .sort((a, b) => Number(a.value) - Number(b.value))
      .map(({ value, count }) => lengthClass(Number(value), count)),
    tags: named(tagRows.map((row) => ({ ...row, n: row.n - (inBin.get(row.id) ?? 0) })))
      .filter((one) => one.count > 0)
      .sort((a, b) => b.count - a.count || (a.words < b.words ? -1 : 1)),
    people: named(peopleRows),
    states: Object.entries(state ?? {}).map(([value, n]) => ({
      value,
      words: value,
      count: Number(n ?? 0),
    })),
  };
}
