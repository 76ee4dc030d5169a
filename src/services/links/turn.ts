import { settings } from "@/outside/settings";

/** When each site may be asked again, in this process. */
const free = new Map<string, number>();

/** How long a site is left alone between two requests nobody waits for, in milliseconds. */
const pauseOf = (): number => Number(settings().linkPause) * 1_000;

/** How many requests of one site there is time for. */
export const turnsUntil = (until: number): number =>
  Math.max(1, Math.ceil((until - Date.now()) / Math.max(pauseOf(), 50)));

/**
 * Waits until a site may be asked again.
 * @param until as long as this at the most
 * @returns whether it may
 */
export async function takeTurn(host: string, until: number): Promise<boolean> {
  const at = Math.max(Date.now(), free.get(host) ?? 0);
  if (at > until) return false;
  // Whoever asks meanwhile comes after this one.
  free.set(host, at + pauseOf());
  if (at > Date.now()) await new Promise((resolve) => setTimeout(resolve, at - Date.now()));
  return true;
}

/** Forgets the sites that may be asked anyway. */
export function forgetTurns(): void {
  for (const [host, at] of free) if (at < Date.now()) free.delete(host);
}
