import { FEED_FORMATS, type Feed, type FeedFormat, opml } from "@/core/publish/feeds";
import { now } from "@/outside/clock";
import { sha256 } from "@/outside/hash";
import { feedBehind, type Feeding, feedOf, feedsOf } from "@/services/reader/feed";
import { readerPage } from "@/services/reader/reader-page";
import { hasAlready } from "./conditional";
import type { ReaderParams } from "./reader-route";

/** The heads every feed has. */
export const FEED_HEADERS = { "cache-control": "public, max-age=300", "x-content-type-options": "nosniff" };
const nothing = () => new Response("There is no such feed.\n", { status: 404 });

/** `feed.atom` asks for Atom; null for what is no feed. */
export function feedFormat(file: string): FeedFormat | null {
  const ending = /^feed\.(\w+)$/.exec(file)?.[1] ?? "";
  return Object.hasOwn(FEED_FORMATS, ending) ? (ending as FeedFormat) : null;
}

/** The ETag of a page of a feed, by what everything under its code is made from. */
export const feedTag = (format: FeedFormat, number: number, stamp: string): string =>
  `"${format}-${number}-${stamp.slice(0, 20)}"`;

const numberOf = (request: Request): number => {
  const page = Number(new URL(request.url).searchParams.get("page") ?? 1);
  return Number.isSafeInteger(page) ? page : 1;
};

function answer(request: Request, format: FeedFormat, feed: Feed, etag: string): Response {
  const headers = { ...FEED_HEADERS, etag, "last-modified": feed.updated.toUTCString() };
  if (hasAlready(request.headers.get("if-none-match"), etag))
    return new Response(null, { status: 304, headers });
  const { type, write } = FEED_FORMATS[format];
  return new Response(write(feed), { headers: { ...headers, "content-type": `${type}; charset=utf-8` } });
}

/** GET …/feed.atom, feed.rss, feed.json: the latest additions to what is behind a code. */
export async function getFeed(
  request: Request,
  { params }: { params: Promise<Omit<ReaderParams, "edition"> & { feed: string }> },
): Promise<Response> {
  const { feed: file, ...asked } = await params;
  const format = feedFormat(file);
  const page = format && (await readerPage(asked));
  if (!format || !page) return nothing();
  const number = numberOf(request);
  // Programs ask all day whether there is anything new; that takes no look at any of it.
  const etag = feedTag(format, number, page.stamp);
  if (hasAlready(request.headers.get("if-none-match"), etag))
    return new Response(null, { status: 304, headers: { ...FEED_HEADERS, etag } });
  const feed = await feedBehind(asked, format, number, now());
  return feed ? answer(request, format, feed, etag) : nothing();
}

/** GET /public/<team>/feed.atom?tag=…: the same of everything a team has made public; /public/<team>/feeds.opml lists them. */
export async function getTeamFeed(
  request: Request,
  { params }: { params: Promise<{ team: string; feed: string }> },
): Promise<Response> {
  const { team, feed } = await params;
  return answerOf(request, { kind: "team", id: team }, feed);
}

/** GET /public/person/<person>/feed.atom, feeds.opml: the same of what a person with a public page has a hand in. */
export async function getPersonFeed(
  request: Request,
  { params }: { params: Promise<{ person: string; feed: string }> },
): Promise<Response> {
  const { person, feed } = await params;
  return answerOf(request, { kind: "person", id: person }, feed);
}

async function answerOf(request: Request, of: Feeding, file: string): Promise<Response> {
  if (!/^[\da-f-]{36}$/.test(of.id)) return nothing();
  if (file === "feeds.opml") {
    const found = await feedsOf(of, now());
    if (!found) return nothing();
    return new Response(opml(found.title, found.feeds), {
      headers: { ...FEED_HEADERS, "content-type": "text/x-opml; charset=utf-8" },
    });
  }
  const format = feedFormat(file);
  const tag = new URL(request.url).searchParams.get("tag");
  const feed = format && (await feedOf(of, tag?.slice(0, 200) ?? null, format, numberOf(request), now()));
  if (!format || !feed) return nothing();
  return answer(request, format, feed, `"${sha256(JSON.stringify(feed)).slice(0, 20)}"`);
}
