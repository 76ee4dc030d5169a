import { addressOfFile } from "../address/read-address";
import { linksIn } from "../formats/imported";
import { type ReadFeed, readFeed } from "../formats/feed-read";

/** One entry of a feed, as far as it is told of. */
export type Entry = {
  address: string;
  title: string;
  /** What the feed says of it. */
  about: string;
  /** When the feed says it came out; null: it says nothing, or a moment to come. */
  published: Date | null;
};

/** What is taken of a feed's document. */
export type FeedDocument = Pick<ReadFeed, "home" | "older" | "every"> & { title: string; entries: Entry[] };

/** So many of one document: the newest of those it dates, else the first ones. */
export const MOST_ENTRIES = 200;

/**
 * What is taken of a feed: each address once, however often it stands there and whatever its ids, with what is to be
 * told of it.
 * @param text the document
 * @param at now: nothing has come out later
 * @returns null: it is no feed
 * @throws {Error} in words, when it is nested deeper than any feed is
 */
export function feedDocument(text: string, at: Date): FeedDocument | null {
  const read = readFeed(text);
  if (!read) return null;
  const entries = new Map<string, Entry>();
  for (const link of linksIn(read.root)) {
    const web = addressOfFile(link.address);
    if (!web.ok || entries.has(web.address)) continue;
    const published = link.addedAt && link.addedAt <= at ? link.addedAt : null;
    entries.set(web.address, {
      address: web.address,
      title: (link.title || link.context || web.host).slice(0, 500),
      about: link.context,
      published,
    });
  }
  const time = (one: Entry) => one.published?.getTime() ?? Infinity;
  const all = [...entries.values()];
  const newest = all.every((one) => one.published) ? all.sort((a, b) => time(b) - time(a)) : all;
  const { home, older, every, root } = read;
  return { title: root.title.slice(0, 200), home, older, every, entries: newest.slice(0, MOST_ENTRIES) };
}
