import type { Feed, FeedEntry } from "@/core/publish/feeds";
import type { PublishedCollection, PublishedItem } from "@/core/publish/model";
import type { ReaderPlaces } from "@/core/publish/reader-places";
import { tagKey } from "@/core/tags/tag-name";
import { database } from "@/mechanism/changing";
import { publicPages } from "@/data/queries/sharing";
import { addressOfHobbin } from "../accounts/address";
import { allBehind } from "./behind";

/** So many entries stand on a page of a feed. */
const PAGE = 50;

type Behind = { collection: PublishedCollection; places: ReaderPlaces };

function entryOf(item: PublishedItem, places: ReaderPlaces): FeedEntry {
  const whole = (address: string) => (address.startsWith("/") ? places.site + address : address);
  const address = item.file ? whole(places.file(item)) : item.address;
  const { player } = item;
  return {
    id: `urn:uuid:${item.id}`,
    title: item.heading || item.title,
    address,
    place: `${places.site}${places.self}#i-${item.id}`,
    context: item.context,
    about: item.quotation ?? item.description,
    authors: item.authors,
    tags: item.tags,
    added: item.addedAt,
    enclosure:
      player?.type === "file" && player.mime
        ? { address: item.file ? address : player.address, type: player.mime, bytes: null }
        : null,
  };
}

type Named = Pick<Feed, "id" | "title" | "about" | "page" | "author" | "language"> & { at: string };

function pageOf(named: Named, behind: readonly Behind[], tag: string | null, number: number): Feed {
  const wanted = tag === null ? null : tagKey(tag);
  const entries = behind
    .flatMap(({ collection, places }) =>
      collection.sections.flatMap((section) =>
        section.items
          .filter((item) => item.look === "item" || item.description)
          .filter((item) => wanted === null || item.tags.some((one) => tagKey(one) === wanted))
          .map((item) => entryOf(item, places)),
      ),
    )
    .sort((a, b) => b.added.getTime() - a.added.getTime() || (a.id < b.id ? 1 : -1));
  const { at, ...rest } = named;
  const query = (page: number) => {
    const said = new URLSearchParams({
      ...(tag !== null && { tag }),
      ...(page > 1 && { page: String(page) }),
    });
    return said.size ? `${at}?${said}` : at;
  };
  const last = Math.max(1, Math.ceil(entries.length / PAGE));
  const current = Math.min(Math.max(1, number), last);
  return {
    ...rest,
    self: query(current),
    first: query(1),
    previous: current > 1 ? query(current - 1) : null,
    next: current < last ? query(current + 1) : null,
    updated: new Date(
      Math.max(
        ...behind.map(({ collection }) => collection.updatedAt.getTime()),
        entries[0]?.added.getTime() ?? 0,
      ),
    ),
    entries: entries.slice((current - 1) * PAGE, current * PAGE),
  };
}

/**
 * The latest additions to what is shared under a code, with everything inside it that readers are shown.
 * @param format the ending of the feed's address
 */
export async function feedBehind(
  asked: { code: string; part?: string | null },
  format: string,
  page: number,
  at: Date,
): Promise<Feed | null> {
  const behind = await allBehind(asked, at);
  const own = behind?.[0];
  if (!own) return null;
  const { collection, places } = own;
  const address = places.site + places.self;
  return pageOf(
    {
      id: `urn:uuid:${collection.id}`,
      title: collection.title,
      about: collection.description,
      page: address,
      at: `${address}/feed.${format}`,
      author: collection.teamName,
      language: collection.language,
    },
    behind,
    null,
    page,
  );
}

/** So many collections of a team are in its feed, those that changed last. */
const MOST_PAGES = 100;
/** What of a team is public is read once in so many milliseconds, however many ask. */
const KEPT = 5_000;
const MOST_KEPT = 50;
const kept = new Map<string, { at: number; work: Promise<(readonly Behind[])[]> }>();

/** What of a team is public, each collection with what readers are shown inside it. */
function publicOf(team: string, at: Date): Promise<(readonly Behind[])[]> {
  const before = kept.get(team);
  if (before && at.getTime() - before.at < KEPT) return before.work;
  const work = readPublic(team, at);
  kept.delete(team);
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(team, { at: at.getTime(), work });
  work.catch(() => kept.delete(team));
  return work;
}

async function readPublic(team: string, at: Date): Promise<(readonly Behind[])[]> {
  const all: (readonly Behind[])[] = [];
  for (const { code } of (await publicPages(database(), at, team)).slice(0, MOST_PAGES)) {
    const behind = await allBehind({ code }, at);
    if (behind) all.push(behind);
  }
  return all;
}

/**
 * The latest additions to everything a team has made public, or those of them with a tag; null when nothing of it is
 * public. What stands in two collections is in it twice, as it is in two places.
 */
export async function feedOfTeam(
  team: string,
  tag: string | null,
  format: string,
  page: number,
  at: Date,
): Promise<Feed | null> {
  const all = await publicOf(team, at);
  const first = all[0]?.[0];
  if (!first) return null;
  const once = new Map(all.flat().map((one) => [one.collection.id, one]));
  const { teamName } = first.collection;
  const home = addressOfHobbin();
  return pageOf(
    {
      id:
        tag === null
          ? `urn:uuid:${team}`
          : `${home}/public/${team}/feed.atom?${new URLSearchParams({ tag })}`,
      title: tag === null ? teamName : `${teamName}: ${tag}`,
      about: "",
      page: first.places.site + first.places.self,
      at: `${home}/public/${team}/feed.${format}`,
      author: teamName,
      language: "",
    },
    [...once.values()],
    tag,
    page,
  );
}

/** The feeds of everything a team has made public; null when nothing is. */
export async function feedsOfTeam(team: string, at: Date) {
  const all = await publicOf(team, at);
  const name = all[0]?.[0]?.collection.teamName;
  if (name === undefined) return null;
  const home = addressOfHobbin();
  return {
    title: name,
    feeds: [
      { title: name, feed: `${home}/public/${team}/feed.atom`, page: home },
      ...all.map(([first]) => {
        const { collection, places } = first!;
        const page = places.site + places.self;
        return { title: collection.title, feed: `${page}/feed.atom`, page };
      }),
    ],
  };
}
