import { inArray, sql } from "drizzle-orm";
import { type Change, clashing } from "@/core/undo/change";
import type { Tx } from "@/data/database";
import { lockTeam } from "@/data/queries/collections";
import { type DeedRow, lastByOthers, lastInCollections } from "@/data/queries/deeds";
import { touchCollections, touchCollectionsOf } from "@/data/queries/resources";
import { placement, section } from "@/data/schema";
import { isDuplicate, isOrphan } from "@/data/transaction";
import { now } from "@/outside/clock";
import type { Happening } from "../action";
import { whyAdrift } from "./standing";
import { tellChanges } from "./tell-changes";
import { WAYS, currentOf } from "./things";

type Made = { done: true; collections: string[] } | { done: false; why: string };

const refused = (why: string): Made => ({ done: false, why: `${why} Nothing was changed.` });

/**
 * Makes the changes of a deed, turned or not, if everything is still as they begin from and then has a place; else
 * nothing is changed and it is said why. The tree and then collections are locked first and in one order, as movers do.
 * @param back whether the changes are turned: what others have put into a collection that was made is not taken away
 */
export async function makeChanges(
  tx: Tx,
  row: DeedRow,
  changes: readonly Change[],
  tell: (happening: Happening) => void,
  { back }: { back: boolean },
): Promise<Made> {
  const trees = changes.filter(({ thing }) => thing === "collection");
  if (trees.length) await lockTeam(tx, row.team);
  const collections = await collectionsOf(tx, changes);
  const at = now();
  // The count of changes is also the lock.
  await touchCollections(tx, collections, at);
  const clashes = clashing(changes, await currentOf(tx, changes));
  if (clashes.length) {
    const ids = clashes.flatMap((change) => change.id.split("~"));
    const who = await lastByOthers(tx, row, ids);
    const what = clashes.length === 1 ? "It has" : `${clashes.length} of these things have`;
    return refused(`${what} been changed since${who ? ` by ${who}` : ""}.`);
  }
  const unmade = back ? trees.filter(({ after }) => after?.gone === true).map(({ id }) => id) : [];
  const who = unmade.length ? await lastInCollections(tx, row, unmade) : null;
  if (who) return refused(`${who} has done something in it since.`);
  await tx.execute(sql`SAVEPOINT as_it_was`);
  const adrift = (await writeAll(tx, row.team, changes, at)) ?? (await whyAdrift(tx, row.team, changes));
  if (adrift) {
    await tx.execute(sql`ROLLBACK TO SAVEPOINT as_it_was`);
    return refused(adrift);
  }
  const tagged = changes.filter(({ thing }) => thing === "tagging" || thing === "resource");
  await touchCollectionsOf(tx, [...new Set(tagged.map(({ id }) => id.split("~")[0]!))], at);
  tellChanges(changes, await homesOf(tx, changes), tell);
  return { done: true, collections };
}

/** @returns why it could not be done: what others have merged, deleted or named alike since */
async function writeAll(tx: Tx, team: string, changes: readonly Change[], at: Date): Promise<string | null> {
  try {
    for (const { thing, id, after } of changes) await WAYS[thing].write(tx, id, after, { team, at });
    return null;
  } catch (error) {
    if (isOrphan(error)) return "Something it was about is not there any more.";
    if (isDuplicate(error)) return "Another one has that name by now.";
    throw error;
  }
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
