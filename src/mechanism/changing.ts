import type { Ability } from "@/core/policy/abilities";
import { openDatabase, type Tx } from "@/data/database";
import { transact } from "@/data/transaction";
import { settings } from "@/outside/settings";
import { signal } from "@/outside/signals";
import { ChangeSet, type Doer } from "./change-set";

/** The database of this process. */
export const database = () => openDatabase(settings().databaseUrl);

/** What undo calls what was done, and the ability it asks for; null when it is not taken back. */
export type History = { words: string; ability: Ability } | null;

/**
 * Runs one transaction whose changes are written, counted, told and kept for undo together; whoever waits for events or
 * jobs is woken once it holds. A transaction that was lost to another one is run again, with changes begun anew.
 * @param run gets the transaction and the way to begin: it says in which team and on whose behalf things change
 * @returns what `run` gives, with the id by which the changes can be taken back
 */
export async function changing<T>(
  run: (tx: Tx, begin: (doer: Doer) => ChangeSet) => Promise<{ result: T; history?: History }>,
): Promise<{ result: T; entry: string | null }> {
  let events = false;
  let jobs = false;
  const answer = await transact(database(), async (tx) => {
    let set: ChangeSet | undefined;
    const { result, history = null } = await run(tx, (doer) => (set = new ChangeSet(tx, doer)));
    const entry = set ? await set.finish(history) : null;
    ({ events, jobs } = set?.told ?? { events: false, jobs: false });
    return { result, entry };
  });
  if (events) signal("events");
  if (jobs) signal("jobs");
  return answer;
}

/** Changes Hobbin makes by itself, in a job: nobody did them, and nobody takes them back. */
export async function changingByItself<T>(
  run: (tx: Tx, begin: (doer: Doer) => ChangeSet) => Promise<T>,
): Promise<T> {
  return (await changing(async (tx, begin) => ({ result: await run(tx, begin) }))).result;
}
