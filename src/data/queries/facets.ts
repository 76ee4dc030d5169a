import { type SQL, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { person, resource, resourceTag, tag } from "../schema";
import { STATE_IS } from "./search";

export type Count = { value: string; words: string; count: number };
/** Upper ends of the classes of length, in minutes; the last one is open. */
const LENGTHS = [5, 15, 30, 60] as const;

const rowsOf = async <T>(tx: Tx, query: SQL): Promise<T[]> => {
  const [rows] = (await tx.execute(query)) as unknown as [T[]];
  return rows;
};

/**
 * How many of the resources there are of each kind, site, tag, person, month, length and state.
 * @param among condition on a row `r` of resource
 * @param whole whether these are all resources of the team; then each list is read from its index alone
 */
export async function countFacets(tx: Tx, team: string, among: SQL, whole: boolean) {
  const counted = async (value: SQL, most = 50): Promise<Count[]> =>
    (
      await rowsOf<{ value: string | null; n: number }>(
        tx,
        sql`SELECT ${value} AS value, COUNT(*) AS n FROM ${resource} r WHERE ${among} GROUP BY value ORDER BY n DESC LIMIT ${most}`,
      )
    )
      .filter((row) => row.value !== null && row.value !== "")
      .map((row) => ({ value: String(row.value), words: String(row.value), count: Number(row.n) }));
  const tags = rowsOf<{ name: string; n: number }>(
    tx,
    whole
      ? sql`SELECT g.name AS name, c.n AS n FROM (SELECT tag, COUNT(*) AS n FROM ${resourceTag} WHERE team = ${team} GROUP BY tag ORDER BY n DESC LIMIT 60) c JOIN ${tag} g ON g.id = c.tag ORDER BY c.n DESC, g.name`
      : sql`SELECT g.name AS name, COUNT(*) AS n FROM ${resource} r JOIN ${resourceTag} t ON t.resource = r.id JOIN ${tag} g ON g.id = t.tag WHERE ${among} GROUP BY g.id, g.name ORDER BY n DESC, g.name LIMIT 60`,
  );
  const people = rowsOf<{ name: string; n: number }>(
    tx,
    sql`SELECT p.name AS name, c.n AS n FROM (SELECT r.added_by AS who, COUNT(*) AS n FROM ${resource} r WHERE ${among} GROUP BY r.added_by) c JOIN ${person} p ON p.id = c.who ORDER BY c.n DESC LIMIT 50`,
  );
  const named = (rows: { name: string; n: number }[]): Count[] =>
    rows.map((row) => ({ value: row.name, words: row.name, count: Number(row.n) }));
  const untagged = whole
    ? sql`COUNT(*) - (SELECT COUNT(DISTINCT t.resource) FROM ${resourceTag} t JOIN ${resource} r2 ON r2.id = t.resource AND r2.deleted_at IS NULL WHERE t.team = ${team})`
    : sql`SUM(${STATE_IS.untagged})`;
  const states = rowsOf<Record<string, string | number | null>>(
    tx,
    sql`SELECT ${untagged} AS untagged, SUM(${STATE_IS.unplaced}) AS unplaced, SUM(${STATE_IS.unpictured}) AS unpictured, SUM(${STATE_IS.dead}) AS dead, SUM(${STATE_IS.twin}) AS twin, SUM(${STATE_IS.waiting}) AS waiting FROM ${resource} r WHERE ${among}`,
  );
  const bounds = sql.join(
    LENGTHS.map((most, i) => sql`WHEN r.minutes <= ${sql.raw(String(most))} THEN ${sql.raw(String(i))}`),
    sql` `,
  );
  const [kinds, sites, months, lengths, tagRows, peopleRows, [state]] = await Promise.all([
    counted(sql`r.kind`),
    counted(sql`r.host`, 60),
    counted(sql`DATE_FORMAT(r.created_at, '%Y-%m')`, 36),
    counted(sql`CASE WHEN r.minutes IS NULL THEN NULL ${bounds} ELSE ${sql.raw(String(LENGTHS.length))} END`),
    tags,
    people,
    states,
  ]);
  return {
    kinds,
    sites,
    months: months.sort((a, b) => (a.value < b.value ? 1 : -1)),
    lengths: lengths
      .sort((a, b) => Number(a.value) - Number(b.value))
      .map(({ value, count }) => lengthClass(Number(value), count)),
    tags: named(tagRows),
    people: named(peopleRows),
    states: Object.entries(state ?? {}).map(([value, n]) => ({
      value,
      words: value,
      count: Number(n ?? 0),
    })),
  };
}

function lengthClass(i: number, count: number): Count {
  const from = i === 0 ? 0 : LENGTHS[i - 1]! + 1;
  const to = LENGTHS[i];
  return to === undefined
    ? { value: `>${from}`, words: `over ${from - 1} min`, count }
    : { value: `${from}..${to}`, words: i === 0 ? `up to ${to} min` : `${from} to ${to} min`, count };
}
