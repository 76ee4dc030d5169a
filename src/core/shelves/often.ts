/** After so many days a copy counts half. */
const HALF_LIFE = 90;
/** What was taken longer ago than this counts no more. */
export const FORGOTTEN = 8 * HALF_LIFE;

const DAY = 86_400_000;

/**
 * What one team's copy counts: 1 on the day, half of that each time the half-life has gone by (exponential decay).
 * @param days since it was taken
 */
export const fallOff = (days: number): number => 2 ** (-Math.max(0, days) / HALF_LIFE);

/** Which collection a team has taken from, and when it last did. */
export type Taken = { lender: string; team: string; at: Date };

/**
 * What is often copied, that first: the sum over the teams that took from it, each once and the less the longer ago, so
 * that nobody is put first by taking much.
 */
export function oftenCopied(taken: readonly Taken[], now: Date): { id: string; teams: number }[] {
  const sums = new Map<string, { weight: number; teams: Set<string> }>();
  const last = new Map<string, Taken>();
  for (const one of taken) {
    const key = `${one.lender} ${one.team}`;
    if ((last.get(key)?.at ?? 0) < one.at) last.set(key, one);
  }
  for (const { lender, team, at } of last.values()) {
    const days = (now.getTime() - at.getTime()) / DAY;
    if (days > FORGOTTEN) continue;
    const sum = sums.get(lender) ?? { weight: 0, teams: new Set() };
    sum.weight += fallOff(days);
    sum.teams.add(team);
    sums.set(lender, sum);
  }
  return [...sums]
    .sort(([a, x], [b, y]) => y.weight - x.weight || (a < b ? 1 : -1))
    .map(([id, { teams }]) => ({ id, teams: teams.size }));
}
