import type { Change } from "@/core/history/change";
import { conflicting } from "@/core/history/change";
import type { Tx } from "@/data/database";
import { collectionsSeeing, currentOf } from "@/data/entities";
import { lockTeam } from "@/data/queries/collections";
import { type HistoryRow, lastByOthers, lastInCollections } from "@/data/queries/history";
import { rollBackTo, savepoint } from "@/data/sql/savepoint";
import { isDuplicate, isOrphan } from "@/data/transaction";
import type { ChangeSet } from "@/mechanism/change-set";
import { whyAdrift } from "./why-adrift";

type Made =
  | { done: true; collections: string[]; keys: Map<string, string> }
  | { done: false; why: string; keys?: undefined };

const refused = (why: string): Made => ({ done: false, why: `${why} Nothing was changed.` });

/**
 * Makes the changes of an entry of the history, inverted or not, if everything is still as they begin from and then has
 * a place; else nothing is changed and it is said why. The tree and then collections are locked first and in one order,
 * as movers do.
 * @param changes in the order in which they are to be made
 * @param options.back whether they are inverted: what others have put into a collection that was made is not taken away
 */
export async function makeChanges(
  tx: Tx,
  set: ChangeSet,
  row: HistoryRow,
  changes: readonly Change[],
  { back }: { back: boolean },
): Promise<Made> {
  const trees = changes.filter(({ type }) => type === "collection");
  if (trees.length) await lockTeam(tx, row.team);
  const collections = await collectionsSeeing(tx, changes);
  // The count of changes is also the lock.
  await set.count(collections);
  const conflicts = conflicting(changes, await currentOf(tx, changes));
  if (conflicts.length) {
    const ids = conflicts.flatMap((change) => change.id.split("~"));
    const who = await lastByOthers(tx, row, ids);
    const what = conflicts.length === 1 ? "It has" : `${conflicts.length} of these things have`;
    return refused(`${what} been changed since${who ? ` by ${who}` : ""}.`);
  }
  const unmade = back ? trees.filter(({ after }) => after?.gone === true).map(({ id }) => id) : [];
  const who = unmade.length ? await lastInCollections(tx, row, unmade) : null;
  if (who) return refused(`${who} has done something in it since.`);
  await savepoint(tx);
  const adrift = (await apply(set, changes)) ?? (await whyAdrift(tx, row.team, changes));
  if (adrift) {
    await rollBackTo(tx);
    set.forget();
    return refused(adrift);
  }
  return { done: true, collections, keys: await set.giveOwnKeys(changes) };
}

/** @returns why it could not be done: what others have merged, deleted or named alike since */
async function apply(set: ChangeSet, changes: readonly Change[]): Promise<string | null> {
  try {
    await set.apply(changes);
    return null;
  } catch (error) {
    if (isOrphan(error)) return "Something it was about is not there any more.";
    if (isDuplicate(error)) return "Another one has that name by now.";
    throw error;
  }
}
