import type { Yarn } from "../cover/weave";
import { clothOfAll, mostUsedTags, sumOfAll } from "../publish/reader-course";
import type { Kind } from "../page/facts";
import type { PublishedCollection, PublishedItem, Use } from "../publish/model";
import { type Passage, type Seeker, holdsPhrase } from "../search/passage";
import type { Searchable } from "../search/weigh";
import { plainText } from "../text/plain";

/** One item of a collection, as its readers are shown it. */
type ListedItem = {
  /** The item, by which it is taken; null: words between items. */
  id: string | null;
  kind: Kind;
  address: string;
  minutes: number | null;
  /** When it was placed there, as ISO 8601. */
  addedAt: string;
  title: string;
  /** The curator's own words: what stands there instead of the title, and the context line. */
  heading: string;
  context: string;
  description: string;
  /** The section it stands in, or empty. */
  section: string;
  language: string | null;
};

/**
 * What is known of a public collection where public ones are looked for: taken from what its readers are shown, and from
 * nothing else, so that nothing is found that they could not read.
 */
export type Listing = {
  title: string;
  description: string;
  /** As BCP 47 has it, or empty. */
  language: string;
  use: Use | null;
  /** With everything inside that the same readers are shown. */
  count: number;
  minutes: number;
  tags: string[];
  cloth: { threads: readonly Yarn[]; tags: readonly string[] };
  items: ListedItem[];
  /** Sites and authors. */
  sources: string[];
};

/** So many items of one collection can be found; the first ones. */
const MOST_ITEMS = 1_000;
/** So many characters of an item's description. */
const LONG = 400;
/** So many threads are enough for a small cloth. */
const THREADS = 60;
const MOST_TAGS = 30;
const MOST_SOURCES = 100;

/**
 * @param parts the collection as its readers are shown it, and behind it those inside that they are shown too
 */
export function listingOf([first, ...inside]: readonly [
  PublishedCollection,
  ...PublishedCollection[],
]): Listing {
  const all = [first, ...inside];
  const shown = all.flatMap((one) => one.sections.flatMap((section) => section.items));
  const { items: count, minutes } = sumOfAll(first);
  const { threads, tags } = clothOfAll(first);
  return {
    ...{ title: first.title, description: first.description, language: first.language, use: first.use },
    ...{ count, minutes, tags: mostUsedTags(shown).slice(0, MOST_TAGS) },
    cloth: { threads: evenly(threads, THREADS), tags: tags.slice(0, 3) },
    items: all.flatMap(itemsOf).slice(0, MOST_ITEMS),
    sources: [
      ...new Set(shown.flatMap((item) => [item.host, item.siteName, ...item.authors]).filter(Boolean)),
    ].slice(0, MOST_SOURCES),
  };
}

const itemsOf = ({ title, sections }: PublishedCollection): ListedItem[] =>
  sections.flatMap((section) => [
    ...(section.intro ? [words(title, section.title, plainText(section.intro))] : []),
    ...section.items.map((item) => listed(item, section.title)),
  ]);

/** What stands between the items. */
const words = (title: string, section: string, text: string): ListedItem => ({
  ...{ id: null, kind: "note", address: "", minutes: null, addedAt: "" },
  ...{ title: section || title, heading: "", context: text.slice(0, 2_000), description: "", section },
  language: null,
});

const listed = (item: PublishedItem, section: string): ListedItem => ({
  ...{ id: item.look === "item" ? item.id : null, kind: item.kind, minutes: item.minutes },
  ...{ address: item.quotation === null ? item.address : "", addedAt: item.addedAt.toISOString() },
  ...{ title: item.title, heading: item.heading, context: item.context, section },
  description: (item.quotation ?? item.description).slice(0, LONG),
  language: item.language,
});

/** So many of a list, from all over it. */
const evenly = <T>(list: readonly T[], most: number): T[] =>
  list.length <= most
    ? [...list]
    : Array.from({ length: most }, (_, i) => list[Math.floor((i * list.length) / most)]!);

/** The words of a collection by where they stand, for the index: it is found by its own and by those of its items. */
export function searchableOf({ title, description, tags, items, sources, language }: Listing): Searchable {
  const once = (texts: readonly string[]) => [...new Set(texts)].filter(Boolean);
  return {
    ...{ title, description, tags, source: sources, language: language || null, notes: "", marks: [] },
    contexts: once(items.flatMap((item) => [item.section, item.heading, item.context, item.title])),
    text: items.map((item) => item.description).join("\n"),
  };
}

/** Where words stand in a collection: in its own, else in those of its items. */
export type FoundIn = {
  passage: Passage;
  /** The item; null: the collection's own words. */
  item: string | null;
};

/** A passage has about so many characters. */
const PASSAGE = 180;

/** The passages in which the words stand, the collection's own first. @param most at most so many */
export function passagesIn(listing: Listing, seeker: Seeker, most: number): FoundIn[] {
  const found: FoundIn[] = [];
  const own = seeker.passageIn(listing.description, listing.language || null, PASSAGE);
  if (own) found.push({ passage: own, item: null });
  for (const item of listing.items) {
    if (found.length >= most) break;
    const language = item.language ?? (listing.language || null);
    const name = item.heading || item.title;
    for (const text of [item.context, name, item.description]) {
      const passage = text ? seeker.passageIn(text, language, PASSAGE) : null;
      if (!passage) continue;
      found.push({ passage, item: name });
      break;
    }
  }
  return found.slice(0, most);
}

/** Whether these words stand in a collection one right after the other. */
export const listingHolds = (listing: Listing, phrase: string): boolean =>
  [
    [listing.title, listing.language],
    [listing.description, listing.language],
    ...listing.tags.map((tag) => [tag, listing.language]),
    ...listing.items.flatMap(({ language, ...item }) =>
      [item.title, item.heading, item.context, item.description].map((text) => [text, language]),
    ),
  ].some(([text, language]) => holdsPhrase(text!, language || null, phrase));
