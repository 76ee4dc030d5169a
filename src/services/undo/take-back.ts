import { inArray } from "drizzle-orm";
import { type Change, clashing, type Thing } from "@/core/undo/change";
import type { Tx } from "@/data/database";
import { type DeedRow, lastByOthers } from "@/data/queries/deeds";
import { touchCollections, touchCollectionsOf } from "@/data/queries/resources";
import { placement, section } from "@/data/schema";
import { now } from "@/outside/clock";
import type { Happening } from "../action";
import { WAYS, currentOf } from "./things";

type Made = { done: true; collections: string[] } | { done: false; why: string };

/** The verb the Bench and the Desk know for a change of each kind of thing. */
const VERBS: Record<Thing, (change: Change) => string> = {
  collection: ({ after }) =>
    after && "gone" in after
      ? after.gone
        ? "collections.remove"
        : "bin.restore-collection"
      : "collections.edit",
  section: ({ after }) =>
    after && "gone" in after ? (after.gone ? "sections.remove" : "bin.restore-section") : "sections.edit",
  placement: ({ after }) =>
    after && "gone" in after
      ? after.gone
        ? "placements.remove"
        : "bin.restore-placement"
      : "placements.edit",
  resource: ({ after }) =>
    after && "gone" in after ? (after.gone ? "resources.remove" : "bin.restore-resource") : "resources.edit",
  tagging: () => "tags.change",
  about: () => "collections.edit",
  tray: () => "tray.set",
  tag: () => "tags.edit",
};

/**
 * Makes the changes of a deed, turned or not, if everything is still as they begin from; else nothing is changed and
 * it is said why. Collections are locked first and in one order, as movers do.
 */
export async function makeChanges(
  tx: Tx,
  row: DeedRow,
  changes: readonly Change[],
  tell: (happening: Happening) => void,
): Promise<Made> {
  const collections = await collectionsOf(tx, changes);
  const at = now();
  // The count of changes is also the lock.
  await touchCollections(tx, collections, at);
  const clashes = clashing(changes, await currentOf(tx, changes));
  if (clashes.length) {
    const ids = clashes.flatMap((change) => change.id.split("~"));
    const who = await lastByOthers(tx, row.team, ids, row.createdAt, row.person);
    const what = clashes.length === 1 ? "It has" : `${clashes.length} of these things have`;
    return { done: false, why: `${what} been changed since${who ? ` by ${who}` : ""}. Nothing was changed.` };
  }
  for (const { thing, id, after } of changes) await WAYS[thing].write(tx, id, after, { team: row.team, at });
  const tagged = changes.filter(({ thing }) => thing === "tagging" || thing === "resource");
  await touchCollectionsOf(tx, [...new Set(tagged.map(({ id }) => id.split("~")[0]!))], at);
  const homes = await homesOf(tx, changes);
  const told = new Set<string>();
  for (const change of changes) {
    const subject = change.thing === "tray" ? change.id.split("~")[1]! : change.id.split("~")[0]!;
    const verb = VERBS[change.thing](change);
    const places =
      change.thing === "collection" || change.thing === "about"
        ? [change.id.split("~")[0]!]
        : change.thing === "placement" || change.thing === "section"
          ? [
              ...new Set([
                homes.get(change.id),
                change.before?.collection as string | undefined,
                change.after?.collection as string | undefined,
              ]),
            ].filter((id) => id !== undefined)
          : [null];
    for (const place of places) {
      const key = [subject, verb, place].join();
      if (!told.has(key)) tell({ subject, collection: place, verb });
      told.add(key);
    }
  }
  return { done: true, collections };
}

/** The collections these changes reach into, in order. */
async function collectionsOf(tx: Tx, changes: readonly Change[]): Promise<string[]> {
  const all = new Set(changes.filter(({ thing }) => thing === "collection").map(({ id }) => id));
  for (const { before, after } of changes)
    for (const fields of [before, after])
      if (typeof fields?.collection === "string") all.add(fields.collection);
  for (const id of (await homesOf(tx, changes)).values()) all.add(id);
  return [...all].sort();
}

/** In which collection the placements and sections among these stand. */
async function homesOf(tx: Tx, changes: readonly Change[]): Promise<Map<string, string>> {
  const homes = new Map<string, string>();
  for (const [thing, table] of [
    ["placement", placement],
    ["section", section],
  ] as const) {
    const ids = changes.filter((change) => change.thing === thing).map((change) => change.id);
    for (let i = 0; i < ids.length; i += 500)
      for (const row of await tx
        .select({ id: table.id, collection: table.collection })
        .from(table)
        .where(inArray(table.id, ids.slice(i, i + 500))))
        homes.set(row.id, row.collection);
  }
  return homes;
}
