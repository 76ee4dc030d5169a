import type { Ability } from "@/core/policy/abilities";
import { openDatabase, type Tx } from "@/data/database";
import type { Verb } from "@/core/history/verbs";
import { writeEvents } from "@/data/queries/events";
import { patiently, transact, Unknown } from "@/data/transaction";
import { now } from "@/outside/clock";
import { log } from "@/outside/log";
import { newId } from "@/outside/random";
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
  let teams: readonly string[] = [];
  let written = 0;
  const answer = await transact(database(), async (tx) => {
    let set: ChangeSet | undefined;
    const { result, history = null } = await run(tx, (doer) => (set = new ChangeSet(tx, doer)));
    const entry = set ? await set.finish(history) : null;
    ({ events, jobs, teams } = set?.told ?? { events: false, jobs: false, teams: [] });
    written = performance.now();
    return { result, entry };
  }).catch(async (error: unknown) => {
    if (error instanceof Unknown) await sayLate(teams);
    throw error;
  });
  if (events && performance.now() - written > LATE) await sayLate(teams);
  if (events) signal("events");
  if (jobs) signal("jobs");
  return answer;
}

/** Whoever listens looks back a little longer than this, in milliseconds. */
const LATE = 5_000;

/**
 * Events that hold only some time after they were written, or of which it is not known whether they do, may have been
 * passed over by those who listen: they are told to read everything anew.
 */
const sayLate = (teams: readonly string[]) =>
  patiently(() => writeLate(database(), teams)).catch((error: unknown) =>
    log.error({ err: error }, "some may not have heard of everything"),
  );
const writeLate = (tx: Tx, teams: readonly string[]) =>
  writeEvents(
    tx,
    teams.map((team) => ({
      id: newId(),
      at: now(),
      team,
      verb: "late" satisfies Verb,
      subject: team,
      data: {},
    })),
  );

/** Changes Hobbin makes by itself, in a job: nobody did them, and nobody takes them back. */
export async function changingByItself<T>(
  run: (tx: Tx, begin: (doer: Doer) => ChangeSet) => Promise<T>,
): Promise<T> {
  return (await changing(async (tx, begin) => ({ result: await run(tx, begin) }))).result;
}
