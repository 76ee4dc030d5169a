import type { Tx } from "@/data/database";

/** Teams of which something is cached. */
const TEAMS = 1_000;

/**
 * What is found out about a team and may be a little old, cached in this process.
 * @param time in milliseconds
 */
export function cachedFor<T>(time: number, find: (tx: Tx, team: string) => Promise<T>) {
  const cached = new Map<string, { at: number; found: T }>();
  return async (tx: Tx, team: string): Promise<T> => {
    const known = cached.get(team);
    if (known && Date.now() - known.at < time) return known.found;
    const found = await find(tx, team);
    if (cached.size >= TEAMS) cached.clear();
    cached.set(team, { at: Date.now(), found });
    return found;
  };
}
