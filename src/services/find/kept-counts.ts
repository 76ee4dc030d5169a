import type { Tx } from "@/data/database";
import { keep, readKept } from "@/data/queries/kept-counts";
import { now } from "@/outside/clock";
import { log } from "@/outside/log";
import { database } from "../action";

/** A catalogue of so many is counted whenever somebody asks. */
const SOON_COUNTED = 5_000;
/** A larger one is counted anew at most so often, in milliseconds. */
const PAUSE = 15_000;

/**
 * What is counted of whole catalogues. Of a large one nobody waits for it, but for the first time: what was counted
 * before is there at once, and what happened since is counted behind it.
 */
export function keptCounts<T>(what: Parameters<typeof keep>[2], count: (tx: Tx, team: string) => Promise<T>) {
  /** Teams that this process is counting. */
  const counting = new Set<string>();
  const countAnew = async (team: string): Promise<T> => {
    const at = now();
    counting.add(team);
    try {
      const counts = await count(database(), team);
      await keep(database(), team, what, at, counts);
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
    const kept = await readKept<T>(tx, team, what);
    if (!kept) return { counts: await countAnew(team), old: false };
    if (kept.old && !counting.has(team) && Date.now() - kept.at.getTime() > PAUSE)
      void countAnew(team).catch((error: unknown) => log.warn({ err: error }, "not counted anew"));
    return { counts: kept.counts, old: kept.old };
  };
}
