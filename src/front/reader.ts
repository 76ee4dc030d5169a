import type { IncomingMessage, ServerResponse } from "node:http";
import { READER_VIEWS, type ReaderView } from "@/core/publish/model";
import { hasAlready } from "@/http/conditional";
import { FEED_HEADERS, feedFormat, feedTag } from "@/http/feed-route";
import { readerHeaders } from "@/http/reader-route";
import { type Coding, compressed } from "@/outside/compress";
import { type Asked, type ReaderPage, readerPage, readerPageNow } from "@/services/reader/reader-page";

/** A page as it is sent in one coding: its bytes, and the heads they go with, name after value. */
type Ready = { status: number; bytes: Uint8Array; etag: string; heads: string[]; heads304: string[] };

/** Whatever is not asked for any more goes with its page. */
const ready = new WeakMap<ReaderPage, Partial<Record<Coding | "identity", Ready>>>();
/** What is being packed: a crowd that asks for the same page waits for one packing. */
const packing = new WeakMap<ReaderPage, Partial<Record<Coding | "identity", Promise<Ready>>>>();

/** What a request asks for; null for what is no reader's page. */
export function readerAsked({ method, url = "" }: IncomingMessage): Asked | null {
  if ((method !== "GET" && method !== "HEAD") || !url.startsWith("/c/")) return null;
  const [, code, edition, part, query] =
    /^\/c\/([\w-]+)(?:\/e\/([1-9]\d{0,5}))?(?:\/in\/([\da-f-]{36}))?(?:\?(.*))?$/.exec(url) ?? [];
  if (!code) return null;
  const wish = query ? new URLSearchParams(query).get("view") : null;
  return {
    code,
    part: part ?? null,
    edition: edition ? Number(edition) : null,
    view: READER_VIEWS.includes(wish as ReaderView) ? (wish as ReaderView) : null,
  };
}

/**
 * Sends a reader's page that is at hand, as bytes that were compressed once. Next's handlers cannot: they compress each
 * answer anew and drop a coding of the handler's own.
 * @param more heads that go with every answer, name after value
 * @returns the status it was answered with; undefined when it has to be waited for
 */
export function sendAtOnce(
  request: IncomingMessage,
  response: ServerResponse,
  more: string[],
): number | undefined {
  const asked = readerAsked(request);
  const page = asked && readerPageNow(asked);
  const made = page && ready.get(page)?.[codingOf(request.headers["accept-encoding"])];
  return made ? send(request, response, made, more) : undefined;
}

/**
 * The same for a page that has to be looked at, or packed, first.
 * @returns false when there is none to be sent, so that somebody else says why
 */
export async function sendReaderPage(
  request: IncomingMessage,
  response: ServerResponse,
  asked: Asked,
): Promise<boolean> {
  const page = await readerPage(asked).catch(() => null);
  if (!page) return false;
  send(request, response, await packed(page, codingOf(request.headers["accept-encoding"])), []);
  return true;
}

/** The page in one coding, packed once however many ask. */
async function packed(page: ReaderPage, coding: Coding | "identity"): Promise<Ready> {
  const of = ready.get(page) ?? {};
  ready.set(page, of);
  if (of[coding]) return of[coding];
  const under = packing.get(page) ?? {};
  packing.set(page, under);
  try {
    return (of[coding] = await (under[coding] ??= make(page, coding)));
  } finally {
    delete under[coding];
  }
}

/**
 * Answers a program that asks again for a feed nothing has come into: they ask all day, and Next's way there takes longer
 * than the look.
 * @returns whether it was answered
 */
export async function sendUnchangedFeed(
  request: IncomingMessage,
  response: ServerResponse,
): Promise<boolean> {
  const given = request.headers["if-none-match"];
  const [, code, part, file] =
    /^\/c\/([\w-]+)(?:\/in\/([\da-f-]{36}))?\/(feed\.[a-z]{3,4})$/.exec(request.url ?? "") ?? [];
  const format = given && file && feedFormat(file);
  if (!format) return false;
  const page = await readerPage({ code: code!, part: part ?? null }).catch(() => null);
  const etag = page && feedTag(format, 1, page.stamp);
  if (!etag || !hasAlready(given, etag)) return false;
  response.writeHead(304, Object.entries({ ...FEED_HEADERS, etag }).flat());
  response.end();
  return true;
}

function send(request: IncomingMessage, response: ServerResponse, made: Ready, more: string[]): number {
  const unchanged = hasAlready(request.headers["if-none-match"], made.etag);
  const status = unchanged ? 304 : made.status;
  const heads = unchanged ? made.heads304 : made.heads;
  response.writeHead(status, more.length ? [...heads, ...more] : heads);
  response.end(unchanged || request.method === "HEAD" ? undefined : made.bytes);
  return status;
}

async function make(page: ReaderPage, coding: Coding | "identity"): Promise<Ready> {
  const bytes = coding === "identity" ? page.bytes : await compressed(page.bytes, coding);
  // Each coding is a representation of its own (RFC 9110 §8.8.3).
  const etag = coding === "identity" ? page.etag : `${page.etag.slice(0, -1)}-${coding}"`;
  const common = { ...readerHeaders(page), etag, vary: "accept-encoding" };
  const ofBody = {
    "content-length": String(bytes.length),
    ...(coding !== "identity" && { "content-encoding": coding }),
  };
  const flat = (heads: Record<string, string>) => Object.entries(heads).flat();
  return { status: page.status, bytes, etag, heads: flat({ ...common, ...ofBody }), heads304: flat(common) };
}

const TAKEN = (["br", "gzip"] as const).map(
  (coding) =>
    [
      coding,
      new RegExp(`(^|,)\\s*(${coding}|\\*)\\s*(;(?!\\s*q=0(\\.0*)?\\s*(,|$))[^,]*)?(,|$)`, "i"),
    ] as const,
);
/** Browsers say the same each time. */
const known = new Map<string, Coding | "identity">();
const MOST_KNOWN = 100;

/** The best coding somebody takes (RFC 9110 §12.5.3); one with a weight of 0 is not taken. */
export function codingOf(accepted: string | string[] | undefined): Coding | "identity" {
  const text = String(accepted ?? "").slice(0, 200);
  let coding = known.get(text);
  if (!coding) {
    coding = TAKEN.find(([, taken]) => taken.test(text))?.[0] ?? "identity";
    if (known.size < MOST_KNOWN) known.set(text, coding);
  }
  return coding;
}
