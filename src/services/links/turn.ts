import { settings } from "@/outside/settings";

/** When each site may be asked again, in this process, and who asks it now. */
const free = new Map<string, number>();
const asking = new Map<string, Promise<void>>();

/** How long a site is left alone between two requests nobody waits for, in milliseconds. */
const pauseOf = (): number => Number(settings().linkPause) * 1_000;
const until = (at: number) =>
  new Promise<void>((resolve) => setTimeout(resolve, Math.max(0, at - Date.now())));

/** How many requests of one site there is time for. */
export const turnsUntil = (end: number): number =>
  Math.max(1, Math.ceil((end - Date.now()) / Math.max(pauseOf(), 50)));

/** Leaves a site alone that is being asked and is asked once more. */
export const pauseOnce = (): Promise<void> => until(Date.now() + pauseOf());

/**
 * Asks a site when it may be asked again: one after the other, and each only when the last has been answered for as long as is
 * set. (From its answer: what is sent late must not be followed at once.)
 * @param end when it is no turn any more
 * @returns null: it had none until then
 */
export async function inTurn<T>(host: string, end: number, ask: () => Promise<T>): Promise<T | null> {
  const before = asking.get(host) ?? Promise.resolve();
  const turn = before.then(async () => {
    const at = free.get(host) ?? 0;
    if (Math.max(at, Date.now()) > end) return null;
    if (at > Date.now()) await until(at);
    try {
      return { answer: await ask() };
    } finally {
      free.set(host, Date.now() + pauseOf());
    }
  });
  const over = turn.then(
    () => undefined,
    () => undefined,
  );
  asking.set(host, over);
  void over.then(() => asking.get(host) === over && asking.delete(host));
  return (await turn)?.answer ?? null;
}

/** Forgets the sites that may be asked anyway. */
export function forgetTurns(): void {
  for (const [host, at] of free) if (at < Date.now()) free.delete(host);
}
