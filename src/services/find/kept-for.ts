import type { Tx } from "@/data/database";

/** Teams of which something is kept. */
const TEAMS = 1_000;

/**
 * What is found out about a team and may be a little old, kept in this process.
 * @param time in milliseconds
 */
export function keptFor<T>(time: number, find: (tx: Tx, team: string) => Promise<T>) {
  const kept = new Map<string, { at: number; found: T }>();
  return async (tx: Tx, team: string): Promise<T> => {
    const known = kept.get(team);
    if (known && Date.now() - known.at < time) return known.found;
    const found = await find(tx, team);
    if (kept.size >= TEAMS) kept.clear();
    kept.set(team, { at: Date.now(), found });
    return found;
  };
}
