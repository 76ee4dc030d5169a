import type { FeedEntryRow, FeedRow } from "@/data/queries/feeds";
import { type News, OF_EACH, SHOWN } from "./news";

/** How a feed is, to who follows it. */
export const feedSaid = (row: FeedRow | undefined) =>
  row
    ? {
        ...{ title: row.title, home: row.home, problem: row.problem },
        readAt: row.readAt?.toISOString() ?? null,
        nextAt: row.nextAt.toISOString(),
      }
    : null;

/** What came in feeds, each thing once, in the feed where it came last; of so many feeds. */
export function newsOfFeeds(
  came: readonly { follow: string; entry: FeedEntryRow }[],
  counts: ReadonlyMap<string, number>,
): News[] {
  const told = new Set<string>();
  const folded = new Map<string, number>();
  const news = new Map<string, News>();
  for (const { follow, entry } of came) {
    if (told.has(entry.hash)) {
      folded.set(follow, (folded.get(follow) ?? 0) + 1);
      continue;
    }
    if (!news.has(follow) && news.size >= SHOWN) continue;
    const one = news.get(follow) ?? { follow, count: counts.get(follow) ?? 0, items: [], collections: [] };
    news.set(follow, one);
    if (one.items.length >= OF_EACH) continue;
    told.add(entry.hash);
    one.items.push({
      ...{ id: entry.hash, from: "", kind: "page", address: entry.address, minutes: null },
      ...{ title: entry.title, context: "", about: entry.about },
      addedAt: (entry.published ?? entry.cameAt).toISOString(),
    });
  }
  return [...news.values()].map((one) => ({ ...one, count: one.count - (folded.get(one.follow) ?? 0) }));
}
