import { queryRows } from "../sql/query-rows";
import { type SQL, sql } from "drizzle-orm";
import type { Facet } from "@/core/search/counted";
import { type Count, countFacts, type Facets, lengthClass, LENGTHS, MOST } from "@/core/search/facets";
import type { Tx } from "../database";
import { person, resource, resourceTag, tag } from "../schema";
import { asMonth } from "../sql/as-month";
import { listed } from "../sql/by-keys";
import { COUNTED, type CountedRow, factOf, STATES } from "./facts";
import { STATE_IS } from "./filters";
import { fixed } from "../sql/fixed";
import { keptCounts, type Valued } from "./kept-counts";
import { tagNames, usesInBin } from "../queries/tags";

type Named = { name: string; n: number };
const named = (rows: readonly Named[]): Count[] =>
  rows.map(({ name, n }) => ({ value: name, words: name, count: Number(n) }));
const MONTH = sql`EXTRACT(YEAR_MONTH FROM r.created_at)`;

/* Each resource is looked at once, by its key: the optimizer would look at every id in every key it might use first. */
const FACTS = fixed(
  sql`SELECT ${COUNTED} FROM ${resource} r FORCE INDEX (PRIMARY) WHERE r.deleted_at IS NULL AND r.id IN`,
);
const TAGS = fixed(sql`
  SELECT g.name, c.n FROM (SELECT t.tag, COUNT(*) AS n FROM ${resourceTag} t WHERE t.resource IN`);
const OF_TAGS = fixed(sql`GROUP BY t.tag) c JOIN ${tag} g ON g.id = c.tag`);

/** How many of some resources there are of each kind, site, tag, person, month, length and state. */
export async function countAmong(tx: Tx, ids: readonly string[]): Promise<Facets> {
  if (!ids.length) return { ...countFacts([], STATES), tags: [] };
  const [rows, tags] = await Promise.all([
    queryRows<CountedRow>(tx, sql`${FACTS} (${listed(ids)})`),
    queryRows<Named>(
      tx,
      sql`${TAGS} (${listed(ids)}) ${OF_TAGS} ORDER BY c.n DESC, g.name LIMIT ${sql.raw(String(MOST.tags))}`,
    ),
  ]);
  const counts = countFacts(rows.map(factOf), STATES);
  const people = await namedPeople(
    tx,
    counts.people.map(({ value, count }) => ({ value, n: count })),
  );
  return { ...counts, people, tags: named(tags) };
}

/** People by their names, without those who are gone. */
async function namedPeople(tx: Tx, people: readonly Valued[]): Promise<Count[]> {
  if (!people.length) return [];
  const rows = await queryRows<{ id: string; name: string }>(
    tx,
    sql`SELECT id, name FROM ${person} WHERE id IN (${listed(people.map((one) => one.value))})`,
  );
  const names = new Map(rows.map((one) => [one.id, one.name]));
  return named(people.flatMap(({ value, n }) => (names.has(value) ? { name: names.get(value)!, n } : [])));
}

/** What a whole catalogue counts, before its ids are names. */
type Raw = Record<Exclude<Facet, "tagged">, Valued[]>;

/** As people read it. */
async function readable(tx: Tx, team: string, raw: Raw): Promise<Facets> {
  const plain = (rows: readonly Valued[]) => named(rows.map(({ value, n }) => ({ name: value, n })));
  const [names, people] = await Promise.all([tagNames(tx, team), namedPeople(tx, raw.person)]);
  const tags = new Map(names.map((one) => [one.id, one.name]));
  const state = new Map(raw.state.map(({ value, n }) => [value, n]));
  return {
    kinds: plain(raw.kind),
    sites: plain(raw.site),
    months: plain(raw.month).sort((a, b) => (a.value < b.value ? 1 : -1)),
    lengths: raw.length
      .map(({ value, n }) => [Number(value), n] as const)
      .sort(([a], [b]) => a - b)
      .map(([i, n]) => lengthClass(i, n)),
    tags: named(
      raw.tag.flatMap(({ value, n }) => (tags.has(value) ? { name: tags.get(value)!, n } : [])),
    ).sort((a, b) => b.count - a.count || (a.words < b.words ? -1 : 1)),
    people,
    states: STATES.map((value) => ({ value, words: value, count: state.get(value) ?? 0 })),
  };
}

/** The same of all resources of a team, as they were fed to its index: read, not counted. */
export async function keptFacets(tx: Tx, team: string): Promise<Facets> {
  const most = {
    kind: MOST.kinds,
    site: MOST.sites,
    person: MOST.people,
    month: MOST.months,
    length: LENGTHS.length + 1,
    tag: MOST.tags,
    state: STATES.length,
  };
  return readable(tx, team, await keptCounts(tx, team, most));
}

/** The same, counted; each list is read from its index alone. */
export async function countWhole(tx: Tx, team: string): Promise<Facets> {
  const among = sql`r.team = ${team} AND r.deleted_at IS NULL`;
  const counted = async (value: SQL, most: number): Promise<Valued[]> =>
    (
      await queryRows<{ value: string | number | null; n: number }>(
        tx,
        sql`SELECT ${value} AS value, COUNT(*) AS n FROM ${resource} r WHERE ${among} GROUP BY value ORDER BY n DESC, value LIMIT ${most}`,
      )
    )
      .filter((row) => row.value !== null && row.value !== "")
      .map((row) => ({ value: String(row.value), n: Number(row.n) }));
  const tags = queryRows<Valued>(
    tx,
    sql`SELECT tag AS value, COUNT(*) AS n FROM ${resourceTag} WHERE team = ${team} GROUP BY tag ORDER BY n DESC LIMIT ${MOST.tags}`,
  );
  // By the list of its tags alone; what is tagged and in the bin is not in it.
  const untagged = sql`COUNT(*) - (SELECT COUNT(DISTINCT t.resource) FROM ${resourceTag} t WHERE t.team = ${team})
    + (SELECT COUNT(*) FROM ${resource} r WHERE r.team = ${team} AND r.deleted_at IS NOT NULL AND NOT (${STATE_IS.untagged}))`;
  const states = queryRows<Record<string, string | number | null>>(
    tx,
    sql`SELECT ${untagged} AS untagged, SUM(${STATE_IS.unplaced}) AS unplaced, SUM(${STATE_IS.unpictured}) AS unpictured, SUM(${STATE_IS.dead}) AS dead, SUM(${STATE_IS.twin}) AS twin, SUM(${STATE_IS.waiting}) AS waiting FROM ${resource} r WHERE ${among}`,
  );
  const bounds = sql.join(
    LENGTHS.map((most, i) => sql`WHEN r.minutes <= ${sql.raw(String(most))} THEN ${sql.raw(String(i))}`),
    sql` `,
  );
  const [kind, site, month, length, person, tagRows, inBin, [state]] = await Promise.all([
    counted(sql`r.kind`, MOST.kinds),
    counted(sql`r.host`, MOST.sites),
    counted(MONTH, MOST.months),
    counted(
      sql`CASE WHEN r.minutes IS NULL THEN NULL ${bounds} ELSE ${sql.raw(String(LENGTHS.length))} END`,
      LENGTHS.length + 2,
    ),
    counted(sql`r.added_by`, MOST.people),
    tags,
    usesInBin(tx, team),
    states,
  ]);
  return readable(tx, team, {
    kind,
    site,
    person,
    month: month.map(({ value, n }) => ({ value: asMonth(value), n })),
    length,
    tag: tagRows
      .map(({ value, n }) => ({ value, n: Number(n) - (inBin.get(value) ?? 0) }))
      .filter(({ n }) => n > 0),
    state: STATES.map((value) => ({ value, n: Number(state?.[value] ?? 0) })),
  });
}
