import { queryRows } from "../sql/query-rows";
import { type SQL, sql } from "drizzle-orm";
import {
  type Count,
  countFacts,
  type Fact,
  type Facets,
  lengthClass,
  LENGTHS,
  MOST,
} from "@/core/search/facets";
import type { Tx } from "../database";
import { person, resource, resourceTag, tag } from "../schema";
import { asMonth } from "../sql/as-month";
import { listed } from "../sql/by-keys";
import { STATE_IS } from "./filters";
import { fixed } from "../sql/fixed";
import { usesInBin } from "../queries/tags";

const rowsOf = async <T>(tx: Tx, query: SQL): Promise<T[]> => {
  const rows = await queryRows<T>(tx, query);
  return rows;
};
type Named = { name: string; n: number };
const named = (rows: readonly Named[]): Count[] =>
  rows.map(({ name, n }) => ({ value: name, words: name, count: Number(n) }));
const STATES = Object.keys(STATE_IS) as (keyof typeof STATE_IS)[];
const MONTH = sql`EXTRACT(YEAR_MONTH FROM r.created_at)`;

/* Each resource is looked at once, by its key: the optimizer would look at every id in every key it might use first. */
const FACTS = fixed(sql`
  SELECT r.kind, r.host AS site, r.added_by AS person, ${MONTH} AS month, r.minutes,
    ${sql.join(
      STATES.map((state) => sql`${STATE_IS[state]} AS ${sql.identifier(state)}`),
      sql`, `,
    )}
  FROM ${resource} r FORCE INDEX (PRIMARY) WHERE r.deleted_at IS NULL AND r.id IN`);
const TAGS = fixed(sql`
  SELECT g.name, c.n FROM (SELECT t.tag, COUNT(*) AS n FROM ${resourceTag} t WHERE t.resource IN`);
const OF_TAGS = fixed(sql`GROUP BY t.tag) c JOIN ${tag} g ON g.id = c.tag`);

/** How many of some resources there are of each kind, site, tag, person, month, length and state. */
export async function countAmong(tx: Tx, ids: readonly string[]): Promise<Facets> {
  if (!ids.length) return { ...countFacts([], STATES), tags: [] };
  const [rows, tags] = await Promise.all([
    rowsOf<Record<string, string | number | null>>(tx, sql`${FACTS} (${listed(ids)})`),
    rowsOf<Named>(
      tx,
      sql`${TAGS} (${listed(ids)}) ${OF_TAGS} ORDER BY c.n DESC, g.name LIMIT ${sql.raw(String(MOST.tags))}`,
    ),
  ]);
  const facts = rows.map(({ kind, site, person, month, minutes, ...states }): Fact => ({
    kind: String(kind),
    site: String(site),
    person: String(person),
    month: asMonth(month!),
    minutes: minutes === null ? null : Number(minutes),
    states: Object.fromEntries(STATES.map((state) => [state, Boolean(states[state])])),
  }));
  const counts = countFacts(facts, STATES);
  const who = counts.people.length
    ? await rowsOf<{ id: string; name: string }>(
        tx,
        sql`SELECT id, name FROM ${person} WHERE id IN (${listed(counts.people.map((one) => one.value))})`,
      )
    : [];
  const names = new Map(who.map((one) => [one.id, one.name]));
  const people = counts.people.flatMap(({ value, count }) => {
    const name = names.get(value);
    return name ? [{ value: name, words: name, count }] : [];
  });
  return { ...counts, people, tags: named(tags) };
}

/** The same of all resources of a team; each list is read from its index alone. */
export async function countWhole(tx: Tx, team: string): Promise<Facets> {
  const among = sql`r.team = ${team} AND r.deleted_at IS NULL`;
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
    sql`SELECT g.id, g.name, c.n FROM (SELECT tag, COUNT(*) AS n FROM ${resourceTag} WHERE team = ${team} GROUP BY tag ORDER BY n DESC LIMIT ${MOST.tags}) c JOIN ${tag} g ON g.id = c.tag`,
  );
  const people = rowsOf<Named>(
    tx,
    sql`SELECT p.name AS name, c.n AS n FROM (SELECT r.added_by AS who, COUNT(*) AS n FROM ${resource} r WHERE ${among} GROUP BY r.added_by) c JOIN ${person} p ON p.id = c.who ORDER BY c.n DESC, p.name LIMIT ${MOST.people}`,
  );
  // By the list of its tags alone; what is tagged and in the bin is not in it.
  const untagged = sql`COUNT(*) - (SELECT COUNT(DISTINCT t.resource) FROM ${resourceTag} t WHERE t.team = ${team})
    + (SELECT COUNT(*) FROM ${resource} r WHERE r.team = ${team} AND r.deleted_at IS NOT NULL AND NOT (${STATE_IS.untagged}))`;
  const states = rowsOf<Record<string, string | number | null>>(
    tx,
    sql`SELECT ${untagged} AS untagged, SUM(${STATE_IS.unplaced}) AS unplaced, SUM(${STATE_IS.unpictured}) AS unpictured, SUM(${STATE_IS.dead}) AS dead, SUM(${STATE_IS.twin}) AS twin, SUM(${STATE_IS.waiting}) AS waiting FROM ${resource} r WHERE ${among}`,
  );
  const bounds = sql.join(
    LENGTHS.map((most, i) => sql`WHEN r.minutes <= ${sql.raw(String(most))} THEN ${sql.raw(String(i))}`),
    sql` `,
  );
  const [kinds, sites, months, lengths, tagRows, inBin, peopleRows, [state]] = await Promise.all([
    counted(sql`r.kind`, MOST.kinds),
    counted(sql`r.host`, MOST.sites),
    counted(MONTH, MOST.months),
    counted(sql`CASE WHEN r.minutes IS NULL THEN NULL ${bounds} ELSE ${sql.raw(String(LENGTHS.length))} END`),
    tags,
    usesInBin(tx, team),
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
    states: STATES.map((value) => ({ value, words: value, count: Number(state?.[value] ?? 0) })),
  };
}
