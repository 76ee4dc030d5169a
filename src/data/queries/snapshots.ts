import {
  and,
  asc,
  eq,
  gt,
  gte,
  inArray,
  isNotNull,
  isNull,
  lt,
  min,
  ne,
  or,
  type SQL,
  sql,
} from "drizzle-orm";
import type { Change, Fields } from "@/core/history/change";
import { nameOf, type State } from "@/core/history/rewind";
import type { Tx } from "../database";
import { collection, event, placement, resource, section, snapshot } from "../schema";
import { inParts } from "../sql/by-keys";
import { changeRows } from "../sql/query-rows";

/** Events that say something of what came after them only for a moment. */
const PASSING = "presence";

/** When the oldest event that is kept happened; null when there is none. */
export async function oldestEvent(tx: Tx): Promise<Date | null> {
  const [row] = await tx.select({ at: min(event.at) }).from(event);
  return row?.at ?? null;
}

/** Collections of which there are events from before a time. */
export async function withEventsBefore(tx: Tx, before: Date, most: number) {
  return tx
    .selectDistinct({ id: event.collection, team: event.team })
    .from(event)
    .where(and(isNotNull(event.collection), lt(event.at, before)))
    .limit(most) as Promise<{ id: string; team: string }[]>;
}

/** Everything that stands or stood in a collection, with its fields, and since when each has been there. */
export async function stateOf(tx: Tx, id: string): Promise<{ state: State; since: Map<string, Date> }> {
  const state: State = new Map();
  const since = new Map<string, Date>();
  const note = (name: string, fields: Fields, at: Date) => {
    state.set(name, fields);
    since.set(name, at);
  };
  const [own] = await tx.select().from(collection).where(eq(collection.id, id));
  if (own) {
    const { title, description, rich, parent, position, view, deletedAt, createdAt } = own;
    note(
      nameOf("collection", id),
      { title, description, rich, parent, position, view, gone: deletedAt !== null },
      createdAt,
    );
  }
  for (const row of await tx.select().from(section).where(eq(section.collection, id))) {
    const { title, intro, position, deletedAt, createdAt } = row;
    note(
      nameOf("section", row.id),
      { collection: id, title, intro, position, gone: deletedAt !== null },
      createdAt,
    );
  }
  const items = await tx
    .select({ item: placement, title: resource.title, address: resource.address })
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .where(eq(placement.collection, id));
  for (const { item, title, address } of items) {
    const { section: of, position, heading, context, look, deletedAt, createdAt } = item;
    const fields = { collection: id, section: of, position, heading, context, look, title, address };
    note(
      nameOf("placement", item.id),
      { ...fields, resource: item.resource, gone: deletedAt !== null },
      createdAt,
    );
  }
  return { state, since };
}

/** What was changed in a collection from a time on, in the order in which it was done. */
export async function changesSince(tx: Tx, team: string, id: string, from: Date): Promise<Change[]> {
  const rows = await tx
    .select({ changes: event.changes })
    .from(event)
    .where(and(eq(event.team, team), eq(event.collection, id), gte(event.at, from), isNotNull(event.changes)))
    .orderBy(asc(event.at), asc(event.id));
  return rows.flatMap(({ changes }) => changes ?? []);
}

/** Further back than so many events nobody goes at once. */
const MOST_EVENTS_BACK = 20_000;

/** When something happened, and when it was written: that is the order of all that happened. */
export type EventPlace = { at: Date; written: Date };

/** Of which collection an event is, in the order of all; null when it is not there any more. */
export async function findEvent(tx: Tx, id: string) {
  const rows = await tx
    .select({ id: event.id, at: event.at, written: event.written, collection: event.collection })
    .from(event)
    .where(eq(event.id, id));
  return rows[0] ?? null;
}

/** What an event changed, and where it stands in the order of all. */
export type EventChanges = { id: string; written: Date; changes: Change[] };

/**
 * What was changed in a collection, or of some things wherever that was, after the action an event is of.
 * @returns null when it is more than anybody goes back at once
 */
export async function changesAfter(
  tx: Tx,
  of: { collection: string } | { subjects: readonly string[] },
  after: EventPlace,
): Promise<EventChanges[] | null> {
  const all: EventChanges[] = [];
  const read = async (which: SQL) => {
    const rows = await tx
      .select({ id: event.id, written: event.written, changes: event.changes })
      .from(event)
      .where(
        and(
          which,
          // All that one action did was written at one moment, by the database's clock, and is not gone back into.
          gt(event.written, after.written),
          isNotNull(event.changes),
        ),
      )
      .limit(MOST_EVENTS_BACK + 1);
    for (const { changes, ...place } of rows) all.push({ ...place, changes: changes! });
  };
  if ("collection" in of) await read(eq(event.collection, of.collection));
  else await inParts(of.subjects, (part) => read(inArray(event.subject, part)), 500);
  return all.length > MOST_EVENTS_BACK ? null : all;
}

/** Items that stood in a collection and stand elsewhere by now, with their fields as they are. */
export async function strayedItems(tx: Tx, ids: readonly string[]): Promise<[string, Fields][]> {
  if (!ids.length) return [];
  const rows = await tx
    .select()
    .from(placement)
    .where(inArray(placement.id, [...ids]));
  return rows.map((row) => {
    const { collection: home, section: of, position, heading, context, look, deletedAt } = row;
    const fields = {
      collection: home,
      section: of,
      position,
      heading,
      context,
      look,
      resource: row.resource,
    };
    return [nameOf("placement", row.id), { ...fields, gone: deletedAt !== null }];
  });
}

/** What resources are called, and whether they lie in the bin. */
export async function resourceStates(tx: Tx, ids: readonly string[]): Promise<[string, Fields][]> {
  const all: [string, Fields][] = [];
  await inParts(
    [...new Set(ids)],
    async (part) => {
      const rows = await tx
        .select({ id: resource.id, title: resource.title, deletedAt: resource.deletedAt })
        .from(resource)
        .where(inArray(resource.id, part));
      for (const { id, title, deletedAt } of rows)
        all.push([nameOf("resource", id), { title, gone: deletedAt !== null }]);
    },
    500,
  );
  return all;
}

/** Keeps how a collection was at a time; once. */
export async function keepSnapshot(tx: Tx, row: typeof snapshot.$inferInsert): Promise<void> {
  await tx
    .insert(snapshot)
    .values(row)
    .onDuplicateKeyUpdate({ set: { at: row.at } });
}

/** Clears the events of a collection from before a time. @returns how many went */
export const clearEventsOf = (tx: Tx, team: string, id: string, before: Date): Promise<number> =>
  changeRows(tx, sql`DELETE FROM ${event} WHERE team = ${team} AND collection = ${id} AND at < ${before}`);

/**
 * Clears the oldest events that belong to no collection, and those that say something only for a moment.
 * @param before what is kept in detail began then
 * @param passing what says something for a moment does not after this
 * @param most how many go at once
 * @returns how many went
 */
export async function clearOtherEvents(tx: Tx, before: Date, passing: Date, most: number): Promise<number> {
  const old = await tx
    .select({ id: event.id })
    .from(event)
    .where(
      or(
        and(isNull(event.collection), ne(event.verb, PASSING), lt(event.at, before)),
        and(eq(event.verb, PASSING), lt(event.at, passing)),
      ),
    )
    .limit(most);
  if (old.length)
    await tx.delete(event).where(
      inArray(
        event.id,
        old.map((row) => row.id),
      ),
    );
  return old.length;
}
