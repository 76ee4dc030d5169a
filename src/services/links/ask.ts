import { LRUCache } from "lru-cache";
import { asHttpDate } from "@/core/health/memento";
import type { Words } from "@/core/health/likeness";
import { type Fetched, fetchGuarded } from "@/outside/fetch/fetch-guarded";
import { newShareCode } from "@/outside/random";
import { settings } from "@/outside/settings";
import { pageWordsInThread } from "@/outside/threads/in-thread";
import { pauseOnce } from "./turn";

/** Larger pages are not compared with anything. */
const MOST_BYTES = 2 * 1024 * 1024;

/** Asks an address that nobody has just asked for: as robots.txt lets programs, by GET, and only whether it is another one. */
export const askLink = (address: string, known?: { etag: string; modified: string }): Promise<Fetched> =>
  fetchGuarded(address, {
    ...{ asked: false, allow: settings().fetchAllow, ports: settings().fetchPorts },
    ...{ limits: { bytes: MOST_BYTES }, ...(known && (known.etag || known.modified) && { known }) },
  });

/** Asks an archive of the web for a page as it was then (RFC 7089); null: none is set up here. */
export async function askArchive(address: string, at: Date): Promise<Fetched | null> {
  const { memento, fetchAllow: allow, fetchPorts: ports } = settings();
  if (!memento) return null;
  // A TimeGate is there to be asked by programs.
  return fetchGuarded(memento + address, { asked: true, allow, ports, asOf: asHttpDate(at) });
}

/** All words of a page; null: it is none. */
export async function wordsOf({ headers, body }: Fetched & { ok: true }): Promise<Words | null> {
  const contentType = headers["content-type"] ?? "";
  if (!/^\s*(text\/html|application\/xhtml\+xml)/i.test(contentType)) return null;
  return pageWordsInThread({ body, contentType }).catch(() => null);
}

/** What sites answer for what they cannot have, by their origins; null: that there is no such page, as they should. */
const nothings = new LRUCache<string, Promise<Words | null>>({ max: 5_000, ttl: 86_400_000 });

/** What a site shows for an address that cannot exist; null: it says so. Asked once a day, after a pause: it was just asked. */
export function nothingAt(origin: string): Promise<Words | null> {
  const known = nothings.get(origin);
  if (known) return known;
  const words = pauseOnce()
    .then(() => askLink(`${origin}/${newShareCode()}/${newShareCode()}`))
    .then((answer) => (answer.ok ? wordsOf(answer) : null));
  nothings.set(origin, words);
  return words;
}
