import type { Tx } from "@/data/database";
import { cacheCounts, readCached } from "@/data/search/cached-counts";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { log } from "@/outside/log";

/** A catalogue of so many is counted whenever somebody asks. */
const SOON_COUNTED = 5_000;
/** A larger one is counted anew at most so often, in milliseconds. */
const PAUSE = 15_000;

/**
 * What is counted of whole catalogues. Of a large one nobody waits for it, but for the first time: what was counted
 * before is there at once, and what happened since is counted behind it.
 */
export function cachedCounts<T>(
  what: Parameters<typeof cacheCounts>[2],
  count: (tx: Tx, team: string) => Promise<T>,
) {
  /** Teams that this process is counting. */
  const counting = new Set<string>();
  const recount = async (team: string): Promise<T> => {
    const at = now();
    counting.add(team);
    try {
      const counts = await count(database(), team);
      await cacheCounts(database(), team, what, at, counts);
      return counts;
    } finally {
      counting.delete(team);
    }
  };
  /**
   * @param indexed how many resources the team has
   * @returns with `old`, whether something happened since these were counted: ask again in a few seconds
   */
  return async (tx: Tx, team: string, indexed: number): Promise<{ counts: T; old: boolean }> => {
    if (indexed <= SOON_COUNTED) return { counts: await count(tx, team), old: false };
    const cached = await readCached<T>(tx, team, what);
    if (!cached) return { counts: await recount(team), old: false };
    if (cached.old && !counting.has(team) && Date.now() - cached.at.getTime() > PAUSE)
      void recount(team).catch((error: unknown) => log.warn({ err: error }, "not counted anew"));
    return { counts: cached.counts, old: cached.old };
  };
}
