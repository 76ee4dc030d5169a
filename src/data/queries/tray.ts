import { and, eq, inArray, isNull, lt, sql } from "drizzle-orm";
import type { TrayState } from "@/core/tray/states";
import type { Tx } from "../database";
import { collection, placement, resource, trayEntry } from "../schema";
import { cardColumns, withTags } from "./resources";

const inState = (person: string, team: string, ...states: TrayState[]) =>
  and(
    eq(trayEntry.person, person),
    eq(trayEntry.team, team),
    inArray(trayEntry.state, states),
    isNull(resource.deletedAt),
  );

/** What of a person's Tray is in one of these states, newest first, and what it is still to be used for. */
export async function trayOf(
  tx: Tx,
  person: string,
  team: string,
  states: readonly TrayState[],
  most: number,
) {
  const rows = await tx
    .select({
      entry: {
        id: trayEntry.id,
        state: trayEntry.state,
        since: trayEntry.createdAt,
        forWords: trayEntry.forWords,
        forCollection: trayEntry.forCollection,
        forSection: trayEntry.forSection,
        forTitle: collection.title,
      },
      resource: cardColumns,
    })
    .from(trayEntry)
    .innerJoin(resource, eq(resource.id, trayEntry.resource))
    .leftJoin(collection, and(eq(collection.id, trayEntry.forCollection), isNull(collection.deletedAt)))
    .where(inState(person, team, ...states))
    .orderBy(sql`${trayEntry.id} desc`)
    .limit(most);
  const cards = await withTags(
    tx,
    rows.map((row) => row.resource),
  );
  return rows.map((row, i) => ({ ...row.entry, resource: cards[i]! }));
}

/** How much waits: number, minutes, and since when the oldest. */
export async function traySum(tx: Tx, person: string, team: string) {
  const [row] = await tx
    .select({
      count: sql<number>`count(*)`,
      minutes: sql<number>`coalesce(sum(${resource.minutes}), 0)`,
      oldest: sql<Date | null>`min(${trayEntry.createdAt})`.mapWith(trayEntry.createdAt),
    })
    .from(trayEntry)
    .innerJoin(resource, eq(resource.id, trayEntry.resource))
    .where(inState(person, team, "waiting"));
  return { count: Number(row?.count ?? 0), minutes: Number(row?.minutes ?? 0), oldest: row?.oldest ?? null };
}

/** How much is in each state, and what waits by its kind. */
export async function trayCounts(tx: Tx, person: string, team: string) {
  const rows = await tx
    .select({
      state: trayEntry.state,
      kind: resource.kind,
      count: sql<number>`count(*)`,
      minutes: sql<number>`coalesce(sum(${resource.minutes}), 0)`,
    })
    .from(trayEntry)
    .innerJoin(resource, eq(resource.id, trayEntry.resource))
    .where(and(eq(trayEntry.person, person), eq(trayEntry.team, team), isNull(resource.deletedAt)))
    .groupBy(trayEntry.state, resource.kind);
  return rows.map((row) => ({ ...row, count: Number(row.count), minutes: Number(row.minutes) }));
}

/** How many things came into a Tray since a time, how many left its waiting, and how many have waited since before another. */
export async function trayFlow(tx: Tx, person: string, team: string, since: Date, old: Date) {
  const [row] = await tx
    .select({
      came: sql<number>`coalesce(sum(${trayEntry.createdAt} >= ${since}), 0)`,
      old: sql<number>`coalesce(sum(${trayEntry.createdAt} < ${old} AND ${trayEntry.state} = 'waiting'), 0)`,
      left: sql<number>`coalesce(sum(${trayEntry.updatedAt} >= ${since} AND ${trayEntry.state} <> 'waiting'), 0)`,
    })
    .from(trayEntry)
    .where(and(eq(trayEntry.person, person), eq(trayEntry.team, team)));
  return { came: Number(row?.came ?? 0), left: Number(row?.left ?? 0), old: Number(row?.old ?? 0) };
}

/** The minutes and the age of what waits, to choose among; the longest waiting first. */
export async function trayTimes(tx: Tx, person: string, team: string, most: number) {
  return tx
    .select({ id: resource.id, minutes: resource.minutes, since: trayEntry.createdAt })
    .from(trayEntry)
    .innerJoin(resource, eq(resource.id, trayEntry.resource))
    .where(inState(person, team, "waiting"))
    .orderBy(trayEntry.id)
    .limit(most);
}

/** What has waited since before a time, locked. */
export async function waitingSince(tx: Tx, person: string, team: string, before: Date, most: number) {
  return tx
    .select()
    .from(trayEntry)
    .where(
      and(
        eq(trayEntry.person, person),
        eq(trayEntry.team, team),
        eq(trayEntry.state, "waiting"),
        lt(trayEntry.createdAt, before),
      ),
    )
    .orderBy(trayEntry.id)
    .limit(most)
    .for("update");
}

/** Where things of a site stand in a team, and how many. */
export async function placesOfSite(tx: Tx, team: string, host: string, most: number) {
  if (!host) return [];
  const newest = tx
    .select({ id: resource.id })
    .from(resource)
    .where(and(eq(resource.team, team), isNull(resource.deletedAt), eq(resource.host, host)))
    .orderBy(sql`${resource.id} desc`)
    .limit(most)
    .as("newest");
  const rows = await tx
    .select({ collection: collection.id, title: collection.title, count: sql<number>`count(*)` })
    .from(newest)
    .innerJoin(placement, eq(placement.resource, newest.id))
    .innerJoin(collection, eq(collection.id, placement.collection))
    .where(and(isNull(placement.deletedAt), isNull(collection.deletedAt), isNull(collection.awayAt)))
    .groupBy(collection.id, collection.title);
  return rows.map((row) => ({ ...row, count: Number(row.count) }));
}

/** Where these things stand. */
export async function placesOf(tx: Tx, resources: readonly string[]) {
  if (!resources.length) return [];
  return tx
    .select({ resource: placement.resource, collection: collection.id, title: collection.title })
    .from(placement)
    .innerJoin(collection, eq(collection.id, placement.collection))
    .where(
      and(
        inArray(placement.resource, [...resources]),
        isNull(placement.deletedAt),
        isNull(collection.deletedAt),
        isNull(collection.awayAt),
      ),
    );
}

/** What of these a person has or had in their Tray, locked. */
export async function trayEntriesOf(tx: Tx, person: string, resources: readonly string[]) {
  if (!resources.length) return [];
  return tx
    .select()
    .from(trayEntry)
    .where(and(eq(trayEntry.person, person), inArray(trayEntry.resource, [...resources])))
    .for("update");
}

/** The state of a resource in a person's Tray, and what it is still to be used for; null when it is in no list of it. */
export async function trayEntryOf(tx: Tx, person: string, id: string) {
  const [row] = await tx
    .select({
      state: trayEntry.state,
      forWords: trayEntry.forWords,
      forCollection: trayEntry.forCollection,
      forTitle: collection.title,
    })
    .from(trayEntry)
    .leftJoin(collection, and(eq(collection.id, trayEntry.forCollection), isNull(collection.deletedAt)))
    .where(and(eq(trayEntry.person, person), eq(trayEntry.resource, id)));
  return row && row.state !== "placed" ? { ...row, state: row.state } : null;
}
