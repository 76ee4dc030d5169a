/** Something that waits: how long it takes, and how long it has waited already. */
export type Waiting = { id: string; minutes: number | null; days: number };

/** So many minutes can be asked for, so many things are looked at. */
export const MOST_MINUTES = 600;
const MOST = 5_000;
/** A minute weighs more than all the waiting of everything that can fit. */
const MINUTE = 1e9;
const LONGEST_WAIT = 36_500;

/**
 * What of all that waits fits into some minutes: the set that fills them best, exactly, and of those that fill them alike
 * the one that has waited longest in all. In the order in which it has waited.
 *
 * The 0-1 knapsack by dynamic programming over the minutes: `best[m]` is what can be had in `m` minutes of the things looked
 * at so far, and `taken` remembers for each thing at which minutes it was taken. It takes things × minutes steps.
 * @param minutes there are, at most ten hours
 */
export function fitsIn(waiting: readonly Waiting[], minutes: number): string[] {
  const room = Math.min(MOST_MINUTES, Math.max(0, Math.floor(minutes)));
  const things = waiting
    .filter((one) => one.minutes !== null && one.minutes > 0 && one.minutes <= room)
    .slice(0, MOST);
  const best = new Float64Array(room + 1);
  const taken = things.map(() => new Uint8Array(room + 1));
  things.forEach(({ minutes: takes, days }, i) => {
    const worth = takes! * MINUTE + Math.min(LONGEST_WAIT, Math.max(0, Math.floor(days))) + 1;
    for (let m = room; m >= takes!; m--) {
      const withIt = best[m - takes!]! + worth;
      if (withIt <= best[m]!) continue;
      best[m] = withIt;
      taken[i]![m] = 1;
    }
  });
  const chosen: Waiting[] = [];
  for (let i = things.length - 1, m = room; i >= 0; i--) {
    if (!taken[i]![m]) continue;
    chosen.push(things[i]!);
    m -= things[i]!.minutes!;
  }
  return chosen.sort((a, b) => b.days - a.days || (a.id < b.id ? -1 : 1)).map((one) => one.id);
}
