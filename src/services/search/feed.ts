import { weigh, type Weighed } from "@/core/search/weigh";
import { PUBLIC } from "@/core/shelves/public";
import type { Tx } from "@/data/database";
import {
  teamsToReindex,
  dropFromReindexQueue,
  haveIndex,
  lockIndex,
  readReindexQueue,
  writeTerms,
} from "@/data/search/index-writes";
import { hasManyPending, packPending } from "@/data/search/pending";
import { type Words, wordsOf } from "@/data/search/words";
import { transact } from "@/data/transaction";
import { database } from "@/mechanism/changing";
import { anyBelow } from "@/outside/random";
import { weighInThread } from "@/outside/threads/in-thread";
import { listedWords } from "../shelves/listed-words";

/** Texts of together so many characters are weighed within a millisecond or two, less than the way to a thread takes. */
const AT_ONCE = 8_000;
/** Changes taken up in one transaction. */
const BATCH = 1_600;
/** Public collections taken up at a time: each is read as its readers get it, with everything inside. */
const LISTINGS = 40;
/** Resources whose words are read and weighed together, while the database reads or writes others. */
const CHUNK = 100;
/** So many times these are read and weighed before those before them are written. */
const AHEAD = 2;
/** Resources written together: the more, the fewer blocks of the index are written several times. */
const WRITTEN = 400;

/**
 * Feeds the index of words with some of the resources that changed in one team. Done by a worker all the time, and by
 * a search that finds only a few due, so that what was saved a moment ago is found.
 * @param team of this team, after whoever is at it now; without one, of any team that nobody is at
 * @returns how many changes were taken up
 */
export async function feedSome(team: string | null = null, most = BATCH): Promise<number> {
  if (team) return feedTeam(team, most, true);
  // In turns that nobody plans, so that a team that brings in thousands does not keep the others waiting.
  const teams = await teamsToReindex(database());
  const start = teams.length ? anyBelow(teams.length) : 0;
  for (let i = 0; i < teams.length; i++) {
    const one = teams[(start + i) % teams.length]!;
    const fed = await feedTeam(one, one === PUBLIC ? Math.min(most, LISTINGS) : most, false);
    if (fed) {
      if (await hasManyPending(database(), one)) await packTeam(one);
      return fed;
    }
  }
  return 0;
}

/** Works what is noted of a team's index into its blocks, in steps, so that whoever feeds it waits for one at the most. */
export async function packTeam(team: string): Promise<void> {
  const step = () =>
    transact(database(), async (tx) => ((await lockIndex(tx, team, false)) ? packPending(tx, team) : 0));
  while ((await step()) > 0);
}

async function feedTeam(team: string, most: number, wait: boolean): Promise<number> {
  const fed = await feedLocked(team, most, wait);
  if (fed !== null) return fed;
  // There was nothing to lock. Who waits tries again whoever has made it meanwhile.
  const made = await haveIndex(database(), team);
  return made || wait ? ((await feedLocked(team, most, wait)) ?? 0) : 0;
}

/** @returns null when there is nothing to lock yet, or somebody else is at it */
async function feedLocked(team: string, most: number, wait: boolean): Promise<number | null> {
  return transact(database(), async (tx) => {
    // One connection, so what is due is read once the lock is there.
    const [locked, due] = await Promise.all([lockIndex(tx, team, wait), readReindexQueue(tx, team, most)]);
    if (!locked) return null;
    if (!due.length) return 0;
    const ids = [...new Set(due.map((one) => one.resource))];
    const upcoming: Promise<Weighing[]>[] = [];
    const begin = () => {
      const some = ids.splice(0, CHUNK);
      if (!some.length) return;
      const one = weighed(tx, team, some);
      // Should writing fail, nobody waits for these any more.
      one.catch(() => {});
      upcoming.push(one);
    };
    for (let i = 0; i < AHEAD; i++) begin();
    let ready: Weighing[] = [];
    while (upcoming.length) {
      ready.push(...(await upcoming.shift()!));
      begin();
      if (upcoming.length && ready.length < WRITTEN) continue;
      await writeTerms(tx, team, ready);
      ready = [];
    }
    await dropFromReindexQueue(
      tx,
      due.map((one) => one.id),
    );
    return due.length;
  });
}

type Weighing = Words & { after: Weighed[] };

/** The words of these resources as terms with their weights, as they are now; of what is gone, none. */
async function weighed(tx: Tx, team: string, ids: readonly string[]): Promise<Weighing[]> {
  const all = await (team === PUBLIC ? listedWords : wordsOf)(tx, ids);
  const living = all.flatMap(({ words }) => words ?? []);
  const characters = living.reduce((sum, { text, description }) => sum + text.length + description.length, 0);
  const weights = (characters > AT_ONCE ? await weighInThread(living) : living.map(weigh)).values();
  return all.map((one) => ({ ...one, after: one.words ? weights.next().value! : [] }));
}
