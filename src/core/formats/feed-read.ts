import { parseFeed } from "htmlparser2";
import { resolveReference } from "../address/read-address";
import { plainText } from "../text/plain";
import { bareLink, emptyFolder, type ImportedFile } from "./imported";

/**
 * Reads a feed: RSS 0.9x, 1.0 and 2.0, Atom (RFC 4287), JSON Feed 1.1 (https://www.jsonfeed.org/version/1.1/).
 * @param file the text of the feed
 * @returns null when the text is none of these
 */
export function readFeed(file: string): ImportedFile | null {
  return /^\s*\{/.test(file) ? readJsonFeed(file) : readXmlFeed(file);
}

function readXmlFeed(file: string): ImportedFile | null {
  const feed = parseFeed(file);
  if (!feed) return null;
  const root = emptyFolder(plainText(feed.title ?? ""));
  root.description = plainText(feed.description ?? "");
  let passedOver = 0;
  for (const item of feed.items) {
    const guid = /^https?:\/\//.test(item.id ?? "") ? item.id : undefined;
    const address = resolveReference(item.link ?? guid, feed.link ?? "http://feed.invalid/");
    if (!address || address.startsWith("http://feed.invalid/")) {
      passedOver++;
      continue;
    }
    root.children.push(
      bareLink(address, {
        title: plainText(item.title ?? ""),
        context: short(plainText(item.description ?? "")),
        addedAt: item.pubDate && !Number.isNaN(+item.pubDate) ? item.pubDate : null,
      }),
    );
  }
  return { root, passedOver, separator: "comma" };
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

function readJsonFeed(file: string): ImportedFile | null {
  let feed: { version?: unknown; title?: unknown; description?: unknown; items?: unknown };
  try {
    feed = JSON.parse(file) as typeof feed;
  } catch {
    return null;
  }
  if (!/jsonfeed\.org\/version\//.test(String(feed.version)) || !Array.isArray(feed.items)) return null;
  const root = emptyFolder(text(feed.title));
  root.description = text(feed.description);
  let passedOver = 0;
  for (const item of feed.items as JsonItem[]) {
    const address = [item.external_url, item.url, item.id].map(text).find((one) => /^https?:\/\//.test(one));
    if (!address) {
      passedOver++;
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
  return { root, passedOver, separator: "comma" };
}

const text = (value: unknown): string =>
  typeof value === "string" || typeof value === "number" ? String(value).trim() : "";
const short = (value: string) => (value.length <= 600 ? value : `${value.slice(0, 599).trimEnd()}…`);
