import { resolveReference } from "../address/read-address";
import { plainText } from "../text/plain";
import { elementsOf, TooDeep, wordsOf, type XmlElement, xmlTree } from "./xml-tree";
import { bareLink, emptyFolder, type ImportedFile, type PassedOver } from "./imported";

/** A feed, with what it says of itself beside its entries. */
export type ReadFeed = ImportedFile & {
  /** The page it belongs to; empty: it names none. */
  home: string;
  /** Where its older entries stand (RFC 5005, 3 and 4); null: nowhere else. */
  older: string | null;
  /** For how many minutes it asks not to be asked again (RSS 2.0 `ttl`, RSS 1.0 syndication module); null: it says nothing. */
  every: number | null;
};

/**
 * Reads a feed: RSS 0.9x, 1.0 and 2.0, Atom (RFC 4287), JSON Feed 1.1 (https://www.jsonfeed.org/version/1.1/).
 * @param file the text of the feed
 * @returns null when the text is none of these
 */
export function readFeed(file: string): ReadFeed | null {
  return /^\s*\{/.test(file) ? readJsonFeed(file) : readXmlFeed(file);
}

/**
 * @throws {Error} in words, when it is nested deeper than any feed is
 */
function readXmlFeed(file: string): ReadFeed | null {
  const top = treeOf(file);
  if (!top) return null;
  const isAtom = top.name === "feed" || top.name === "entry";
  const channel = isAtom ? top : elementsOf(top, "channel")[0];
  if (!channel) return null;
  const root = emptyFolder(top.name === "entry" ? "" : titleOf(channel));
  root.description = plainText(wordsOf(elementsOf(channel, "description", "subtitle", "tagline")[0]));
  // RSS 1.0 has its items beside the channel; an entry may stand alone (RFC 4287, 2).
  const items =
    top.name === "entry"
      ? [top]
      : [...elementsOf(channel, "item", "entry"), ...(isAtom ? [] : elementsOf(top, "item"))];
  const base = baseOf(baseOf("", top), channel);
  const home = addressOf(channel, base) ?? "";
  const passedOver: PassedOver[] = [];
  for (const item of items) {
    const address = addressOf(item, baseOf(base, item), home);
    if (!address) {
      passedOver.push({ text: titleOf(item), why: "no-address" });
      continue;
    }
    const authors = authorsOf(item);
    const known = authors.length ? authors : authorsOf(channel);
    root.children.push(
      bareLink(address, {
        title: titleOf(item),
        context: short(
          plainText(wordsOf(elementsOf(item, "description", "summary", "content", "content:encoded")[0])),
        ),
        tagText: tagsOf(item).join(","),
        addedAt: dateOf(item),
        ...(known.length && { reference: { type: null, fields: {}, authors: known } }),
      }),
    );
  }
  return {
    root,
    passedOver,
    separator: "comma",
    home,
    older: olderOf(channel, base),
    every: everyOf(channel),
  };
}

/** The document before this one: of an archived feed, or else of one in pages (RFC 5005). */
function olderOf(channel: XmlElement, base: string): string | null {
  const links = elementsOf(channel, "link", "atom:link");
  for (const rel of ["prev-archive", "next"]) {
    const link = links.find(({ attributes }) => attributes.rel === rel && attributes.href);
    const found =
      link && resolveReference(link.attributes.href!.trim(), baseOf(base, link) || "http://feed.invalid/");
    if (found && !found.startsWith("http://feed.invalid/")) return found;
  }
  return null;
}

const PERIODS: Record<string, number> = {
  ...{ hourly: 60, daily: 1_440, weekly: 10_080, monthly: 43_200, yearly: 525_600 },
};

/** http://web.resource.org/rss/1.0/modules/syndication/: so often in each period, once a day where it says neither. */
function everyOf(channel: XmlElement): number | null {
  const ttl = Number(wordsOf(elementsOf(channel, "ttl")[0]).trim());
  if (ttl > 0) return ttl;
  const [period] = elementsOf(channel, "sy:updatePeriod");
  const [often] = elementsOf(channel, "sy:updateFrequency");
  if (!period && !often) return null;
  const times = Number(wordsOf(often).trim()) || 1;
  return (PERIODS[wordsOf(period).trim().toLowerCase()] ?? PERIODS.daily!) / Math.max(1, times);
}

function treeOf(file: string): XmlElement | null {
  try {
    const top = xmlTree(file);
    return top && /^(rss|rdf:RDF|feed|entry)$/i.test(top.name) ? top : null;
  } catch (error) {
    if (!(error instanceof TooDeep)) throw error;
    throw new Error("This feed is nested deeper than any feed is.", { cause: error });
  }
}

/** Atom's titles say what they are; what is text in one is no markup (RFC 4287, 3.1.1). */
function titleOf(of: XmlElement): string {
  const [title] = elementsOf(of, "title");
  const isText = title && title.attributes.type === "text";
  return isText ? wordsOf(title).replace(/\s+/g, " ").trim() : plainText(wordsOf(title));
}

/** What addresses in an element are relative to (XML Base). */
function baseOf(base: string, { attributes }: XmlElement): string {
  const own = attributes["xml:base"];
  return own ? (resolveReference(own, base || "http://feed.invalid/") ?? base) : base;
}

/**
 * The page of an entry: the link that leads to the same in another form, or to none that is named (RFC 4287, 4.2.7.2), HTML
 * before others; of RSS its link; else what names it, where that is an address.
 * @param home the page of the feed, to which addresses are relative where nothing else is said
 */
function addressOf(of: XmlElement, base: string, home = ""): string | null {
  const resolve = (address: string, at = base) => {
    const found = resolveReference(address.trim(), at || home || "http://feed.invalid/");
    return found && !found.startsWith("http://feed.invalid/") ? found : null;
  };
  const links = elementsOf(of, "link", "atom:link").filter(
    ({ attributes: { href, rel = "alternate" } }) => href && rel === "alternate",
  );
  const html = links.find(({ attributes: { type = "text/html" } }) => /html/.test(type));
  const [link = html] = html ? [html] : links;
  if (link) return resolve(link.attributes.href!, baseOf(base, link));
  const plain = elementsOf(of, "link").find((one) => !one.attributes.href && wordsOf(one).trim());
  if (plain) return resolve(wordsOf(plain));
  const [guid] = elementsOf(of, "guid", "id");
  const named = wordsOf(guid).trim();
  if (/^https?:\/\//.test(named) && guid!.attributes.isPermaLink !== "false") return resolve(named);
  // An episode of RSS may have no page: then it is its sound or its film.
  const file = elementsOf(of, "enclosure")[0]?.attributes.url;
  return file ? resolve(file) : null;
}

/** “mail (Name)” and “Name <mail>” are names. */
const nameOf = (written: string): string => {
  const words = written.replace(/\s+/g, " ").trim();
  return (/^\S+@\S+ \((.+)\)$/.exec(words)?.[1] ?? words.replace(/\s*<\S+@\S+>$/, "")).trim();
};
const authorsOf = (of: XmlElement): string[] =>
  elementsOf(of, "author", "dc:creator", "itunes:author")
    .map((one) =>
      nameOf(
        wordsOf(elementsOf(one, "name")[0] ?? (elementsOf(one, "uri", "email").length ? undefined : one)),
      ),
    )
    .filter((name, i, all) => name && all.indexOf(name) === i)
    .slice(0, 50);

/** Commas stand between tags, so that there is none in one. */
const tagsOf = (of: XmlElement): string[] =>
  elementsOf(of, "category", "dc:subject")
    .map((one) =>
      (one.attributes.label ?? one.attributes.term ?? wordsOf(one)).replace(/[\s,]+/g, " ").trim(),
    )
    .filter((tag, i, all) => tag && all.indexOf(tag) === i)
    .slice(0, 50);

/** Atom 1.0, Atom 0.3, RSS, Dublin Core. */
function dateOf(of: XmlElement): Date | null {
  for (const name of ["published", "issued", "pubDate", "dc:date", "created", "updated", "modified"]) {
    const time = Date.parse(wordsOf(elementsOf(of, name)[0]).trim());
    if (!Number.isNaN(time)) return new Date(time);
  }
  return null;
}

type JsonItem = {
  url?: unknown;
  external_url?: unknown;
  id?: unknown;
  title?: unknown;
  summary?: unknown;
  content_text?: unknown;
  content_html?: unknown;
  date_published?: unknown;
  tags?: unknown;
  authors?: unknown;
  author?: unknown;
};

function readJsonFeed(file: string): ReadFeed | null {
  let feed: {
    version?: unknown;
    title?: unknown;
    description?: unknown;
    items?: unknown;
    home_page_url?: unknown;
    next_url?: unknown;
  };
  try {
    feed = JSON.parse(file) as typeof feed;
  } catch {
    return null;
  }
  if (!/jsonfeed\.org\/version\//.test(String(feed.version)) || !Array.isArray(feed.items)) return null;
  const root = emptyFolder(text(feed.title));
  root.description = text(feed.description);
  const passedOver: PassedOver[] = [];
  for (const item of feed.items as JsonItem[]) {
    const address = [item.external_url, item.url, item.id].map(text).find((one) => /^https?:\/\//.test(one));
    if (!address) {
      passedOver.push({
        text: text(item.title) || short(text(item.content_text)) || text(item.id),
        why: "no-address",
      });
      continue;
    }
    const time = Date.parse(text(item.date_published));
    const body = text(item.summary) || text(item.content_text) || plainText(text(item.content_html));
    const authors = (Array.isArray(item.authors) ? item.authors : [item.author])
      .map((one) => text((one as { name?: unknown } | null)?.name))
      .filter(Boolean);
    root.children.push(
      bareLink(address, {
        title: text(item.title),
        context: short(body),
        tagText: Array.isArray(item.tags) ? item.tags.map(text).join(",") : "",
        addedAt: Number.isNaN(time) ? null : new Date(time),
        ...(authors.length && { reference: { type: null, fields: {}, authors } }),
      }),
    );
  }
  const [home, older] = [feed.home_page_url, feed.next_url].map((one) => webOf(text(one)));
  return { root, passedOver, separator: "comma", home: home!, older: older || null, every: null };
}

const webOf = (address: string) => (/^https?:\/\//.test(address) ? address : "");
const text = (value: unknown): string =>
  typeof value === "string" || typeof value === "number" ? String(value).trim() : "";
const short = (value: string) => (value.length <= 600 ? value : `${value.slice(0, 599).trimEnd()}…`);
