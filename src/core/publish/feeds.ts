import { forXml } from "../text/for-xml";
import { escape } from "./html";

/** What came in last, for whoever follows. Addresses are whole. */
export type Feed = {
  /** A name that stays, as a URN. */
  id: string;
  title: string;
  about: string;
  /** The page it is the feed of. */
  page: string;
  /** The feed itself, and its other pages (RFC 5005, 3): null where there is none. */
  self: string;
  first: string;
  previous: string | null;
  next: string | null;
  author: string;
  language: string;
  updated: Date;
  entries: FeedEntry[];
};

export type FeedEntry = {
  id: string;
  title: string;
  /** The thing itself. */
  address: string;
  /** Its place on the page. */
  place: string;
  /** Why it stands there, as plain text; empty: nobody has said. */
  context: string;
  about: string;
  authors: string[];
  tags: string[];
  added: Date;
  enclosure: { address: string; type: string; bytes: number | null } | null;
};

const xml = (text: string): string => escape(forXml(text)).replace(/&#39;/g, "&apos;");

/** The context line and what the thing says of itself, as HTML. */
const contentOf = (entry: FeedEntry): string =>
  [entry.context, entry.about]
    .filter(Boolean)
    .map((text, i) =>
      i === 0 && entry.context ? `<p><strong>${escape(text)}</strong></p>` : `<p>${escape(text)}</p>`,
    )
    .join("") + `<p><a href="${escape(entry.place)}">In its place</a></p>`;

/** The feed as Atom (RFC 4287), with its pages (RFC 5005). */
function atom(feed: Feed): string {
  const link = (rel: string, href: string | null, type = "application/atom+xml") =>
    href ? `<link rel="${rel}" type="${type}" href="${xml(href)}"/>` : "";
  return `<?xml version="1.0" encoding="utf-8"?>
<feed xmlns="http://www.w3.org/2005/Atom"${feed.language ? ` xml:lang="${xml(feed.language)}"` : ""}>
<id>${xml(feed.id)}</id><title>${xml(feed.title)}</title>${feed.about ? `<subtitle>${xml(feed.about)}</subtitle>` : ""}<updated>${feed.updated.toISOString()}</updated>
<author><name>${xml(feed.author)}</name></author><generator>Hobbin</generator>
${link("alternate", feed.page, "text/html")}${link("self", feed.self)}${link("first", feed.first)}${link("previous", feed.previous)}${link("next", feed.next)}
${feed.entries
  .map(
    (entry) =>
      `<entry><id>${xml(entry.id)}</id><title>${xml(entry.title)}</title><updated>${entry.added.toISOString()}</updated><published>${entry.added.toISOString()}</published><link rel="alternate" href="${xml(entry.address || entry.place)}"/><link rel="related" type="text/html" href="${xml(entry.place)}"/>${
        entry.enclosure
          ? `<link rel="enclosure" type="${xml(entry.enclosure.type)}" href="${xml(entry.enclosure.address)}"${entry.enclosure.bytes === null ? "" : ` length="${entry.enclosure.bytes}"`}/>`
          : ""
      }${entry.authors.map((name) => `<author><name>${xml(name)}</name></author>`).join("")}${entry.tags.map((tag) => `<category term="${xml(tag)}"/>`).join("")}${entry.context ? `<summary>${xml(entry.context)}</summary>` : ""}<content type="html">${xml(contentOf(entry))}</content></entry>`,
  )
  .join("\n")}
</feed>
`;
}

/** The feed as RSS 2.0 (https://www.rssboard.org/rss-specification). */
const rss = (feed: Feed): string => `<?xml version="1.0" encoding="utf-8"?>
<rss version="2.0" xmlns:atom="http://www.w3.org/2005/Atom" xmlns:dc="http://purl.org/dc/elements/1.1/"><channel>
<title>${xml(feed.title)}</title><link>${xml(feed.page)}</link><description>${xml(feed.about || feed.title)}</description>${feed.language ? `<language>${xml(feed.language)}</language>` : ""}<lastBuildDate>${feed.updated.toUTCString()}</lastBuildDate><generator>Hobbin</generator>
<atom:link rel="self" type="application/rss+xml" href="${xml(feed.self)}"/>${feed.next ? `<atom:link rel="next" type="application/rss+xml" href="${xml(feed.next)}"/>` : ""}
${feed.entries
  .map(
    (entry) =>
      `<item><guid isPermaLink="false">${xml(entry.id)}</guid><title>${xml(entry.title)}</title><link>${xml(entry.address || entry.place)}</link><pubDate>${entry.added.toUTCString()}</pubDate>${entry.authors.map((name) => `<dc:creator>${xml(name)}</dc:creator>`).join("")}${entry.tags.map((tag) => `<category>${xml(tag)}</category>`).join("")}${
        entry.enclosure
          ? `<enclosure url="${xml(entry.enclosure.address)}" type="${xml(entry.enclosure.type)}" length="${entry.enclosure.bytes ?? 0}"/>`
          : ""
      }<description>${xml(contentOf(entry))}</description></item>`,
  )
  .join("\n")}
</channel></rss>
`;

/** The feed as JSON Feed 1.1 (https://www.jsonfeed.org/version/1.1/). */
const jsonFeed = (feed: Feed): string =>
  JSON.stringify({
    version: "https://jsonfeed.org/version/1.1",
    title: feed.title,
    home_page_url: feed.page,
    feed_url: feed.self,
    ...(feed.about && { description: feed.about }),
    ...(feed.next && { next_url: feed.next }),
    ...(feed.language && { language: feed.language }),
    authors: [{ name: feed.author }],
    items: feed.entries.map((entry) => ({
      id: entry.id,
      url: entry.address || entry.place,
      ...(entry.address && { external_url: entry.address, url: entry.place }),
      title: entry.title,
      content_html: contentOf(entry),
      ...(entry.context && { summary: entry.context }),
      date_published: entry.added.toISOString(),
      ...(entry.authors.length && { authors: entry.authors.map((name) => ({ name })) }),
      ...(entry.tags.length && { tags: entry.tags }),
      ...(entry.enclosure && {
        attachments: [
          {
            url: entry.enclosure.address,
            mime_type: entry.enclosure.type,
            ...(entry.enclosure.bytes !== null && { size_in_bytes: entry.enclosure.bytes }),
          },
        ],
      }),
    })),
  });

/** The formats, each with its ending and media type. */
export const FEED_FORMATS = {
  atom: { type: "application/atom+xml", write: atom },
  rss: { type: "application/rss+xml", write: rss },
  json: { type: "application/feed+json", write: jsonFeed },
} as const;
export type FeedFormat = keyof typeof FEED_FORMATS;

/** Feeds to be taken over by a reader of feeds (OPML 2.0, http://opml.org/spec2.opml). */
export const opml = (
  title: string,
  feeds: readonly { title: string; feed: string; page: string }[],
): string =>
  `<?xml version="1.0" encoding="utf-8"?>\n<opml version="2.0"><head><title>${xml(title)}</title></head><body>${feeds
    .map(
      (one) =>
        `<outline type="rss" text="${xml(one.title)}" title="${xml(one.title)}" xmlUrl="${xml(one.feed)}" htmlUrl="${xml(one.page)}"/>`,
    )
    .join("")}</body></opml>\n`;
