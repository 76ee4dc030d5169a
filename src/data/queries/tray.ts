import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { resource, trayEntry } from "../schema";
import { cardColumns, withTags } from "./resources";

const waiting = (person: string, team: string) =>
  and(
    eq(trayEntry.person, person),
    eq(trayEntry.team, team),
    eq(trayEntry.state, "waiting"),
    isNull(resource.deletedAt),
  );

/** What waits in a person's Tray, newest first. */
export async function trayOf(tx: Tx, person: string, team: string, most: number) {
  const rows = await tx
    .select({
      entry: { id: trayEntry.id, state: trayEntry.state, since: trayEntry.createdAt },
      resource: cardColumns,
    })
    .from(trayEntry)
    .innerJoin(resource, eq(resource.id, trayEntry.resource))
    .where(waiting(person, team))
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
    .where(waiting(person, team));
  return { count: Number(row?.count ?? 0), minutes: Number(row?.minutes ?? 0), oldest: row?.oldest ?? null };
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
