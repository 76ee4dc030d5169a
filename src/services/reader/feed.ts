import type { Feed, FeedEntry } from "@/core/publish/feeds";
import type { PublishedCollection, PublishedItem } from "@/core/publish/model";
import type { ReaderPlaces } from "@/core/publish/reader-places";
import { tagKey } from "@/core/tags/tag-name";
import { database } from "@/mechanism/changing";
import { openCodes } from "@/data/queries/listings";
import { pageOfPerson } from "@/data/queries/person-pages";
import { publicPages } from "@/data/queries/sharing";
import { addressOfHobbin } from "../accounts/address";
import { onPagesOf } from "../people/public-page";
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

/** So many collections of a team or a person are in their feed, those that changed last. */
const MOST_PAGES = 100;
/** What of somebody is public is read once in so many milliseconds, however many ask. */
const KEPT = 5_000;
const MOST_KEPT = 50;
const kept = new Map<string, { at: number; work: Promise<Public> }>();

/** Whose feed it is: all that a team has made public, or what a person with a public page has a hand in. */
export type Feeding = { kind: "team" | "person"; id: string };
/** Each collection with what readers are shown inside it; and whose it is. */
type Public = { name: string; all: (readonly Behind[])[] } | null;

const keyOf = ({ kind, id }: Feeding) => `${kind} ${id}`;
const pathOf = ({ kind, id }: Feeding) => `/public/${kind === "person" ? "person/" : ""}${id}`;

/** What of somebody is public; null when nothing is, or a person has no such page. */
function publicOf(of: Feeding, at: Date): Promise<Public> {
  const key = keyOf(of);
  const before = kept.get(key);
  if (before && at.getTime() - before.at < KEPT) return before.work;
  const work = readPublic(of, at);
  kept.delete(key);
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(key, { at: at.getTime(), work });
  work.catch(() => kept.delete(key));
  return work;
}

async function readPublic(of: Feeding, at: Date): Promise<Public> {
  const found = of.kind === "team" ? await codesOfTeam(of.id, at) : await codesOfPerson(of.id, at);
  if (!found) return null;
  const all: (readonly Behind[])[] = [];
  for (const code of found.codes.slice(0, MOST_PAGES)) {
    const behind = await allBehind({ code }, at);
    if (behind) all.push(behind);
  }
  const name = found.name ?? all[0]?.[0]?.collection.teamName;
  return name === undefined ? null : { name, all };
}

const codesOfTeam = async (id: string, at: Date) => ({
  name: undefined,
  codes: (await publicPages(database(), at, id)).map((one) => one.code),
});

async function codesOfPerson(id: string, at: Date) {
  const found = await pageOfPerson(database(), id);
  if (!found?.page.open) return null;
  const ids = (await onPagesOf(database(), [id], at)).map((one) => one.id);
  const codes = await openCodes(database(), ids, at);
  return { name: found.name, codes: ids.flatMap((one) => codes.get(one) ?? []) };
}

/**
 * The latest additions to everything a team has made public, or a person has a hand in, or those of them with a tag; null
 * when there is nothing. What stands in two collections is in it twice, as it is in two places.
 */
export async function feedOf(
  of: Feeding,
  tag: string | null,
  format: string,
  page: number,
  at: Date,
): Promise<Feed | null> {
  const found = await publicOf(of, at);
  const first = found?.all[0]?.[0];
  if (!found || !first) return null;
  const once = new Map(found.all.flat().map((one) => [one.collection.id, one]));
  const { name } = found;
  const whole = addressOfHobbin() + pathOf(of);
  return pageOf(
    {
      id: tag === null ? `urn:uuid:${of.id}` : `${whole}/feed.atom?${new URLSearchParams({ tag })}`,
      title: tag === null ? name : `${name}: ${tag}`,
      about: "",
      page: of.kind === "team" ? first.places.site + first.places.self : whole,
      at: `${whole}/feed.${format}`,
      author: name,
      language: "",
    },
    [...once.values()],
    tag,
    page,
  );
}

/** The feeds of all that; null when there is nothing. */
export async function feedsOf(of: Feeding, at: Date) {
  const found = await publicOf(of, at);
  if (!found?.all.length) return null;
  const { name, all } = found;
  const home = addressOfHobbin();
  return {
    title: name,
    feeds: [
      {
        title: name,
        feed: `${home}${pathOf(of)}/feed.atom`,
        page: of.kind === "team" ? home : home + pathOf(of),
      },
      ...all.map(([first]) => {
        const { collection, places } = first!;
        const page = places.site + places.self;
        return { title: collection.title, feed: `${page}/feed.atom`, page };
      }),
    ],
  };
}
