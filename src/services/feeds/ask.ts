import { decodePage } from "@/outside/fetch/decode";
import { type Fetched, fetchGuarded } from "@/outside/fetch/fetch-guarded";
import { settings } from "@/outside/settings";
import { feedInThread } from "@/outside/threads/in-thread";
import type { FeedDocument } from "@/core/feeds/entries";

/** What a feed is asked for, before pages. */
const ACCEPT =
  "application/atom+xml, application/rss+xml, application/feed+json, application/rdf+xml;q=0.9, application/xml;q=0.8, text/xml;q=0.8, text/html;q=0.7, */*;q=0.5";

/** Fetches what may be a feed, or a page that names some; by its text when there is any. */
export const askFeed = (address: string, known?: { etag: string; modified: string }): Promise<Fetched> =>
  fetchGuarded(address, {
    // Who follows a feed has asked for just this address.
    ...{ asked: true, allow: settings().fetchAllow, ports: settings().fetchPorts, accept: ACCEPT, known },
  });

export const textOf = ({ body, headers }: Fetched & { ok: true }): string =>
  decodePage(body, headers["content-type"]);

/** What is taken of an answer as a feed; null: it is none, or takes too long to read. */
export const readAnswer = (answer: Fetched & { ok: true }, at: Date): Promise<FeedDocument | null> =>
  feedInThread({ text: textOf(answer), at }).catch(() => null);
