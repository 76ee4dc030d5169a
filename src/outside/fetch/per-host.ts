/** So many requests at a time go to one host from this process; more would be a burden to small sites. */
const AT_ONCE = 2;

const hosts = new Map<string, { inside: number; waiting: (() => void)[] }>();

/**
 * Waits until a request to the host may begin.
 * @param host whose turn is waited for
 * @returns the way out, to be called once when it is over
 */
export async function enterHost(host: string): Promise<() => void> {
  const at = hosts.get(host) ?? { inside: 0, waiting: [] };
  hosts.set(host, at);
  if (at.inside >= AT_ONCE) await new Promise<void>((resolve) => at.waiting.push(resolve));
  else at.inside++;
  return () => {
    const next = at.waiting.shift();
    // Whoever waited takes over the place.
    if (next) return next();
    at.inside--;
    if (!at.inside) hosts.delete(host);
  };
}
