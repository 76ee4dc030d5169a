import { createHash } from "node:crypto";
import { Readable } from "node:stream";
import { html, Markup } from "@/core/publish/html";
import { READER_VIEWS, type ReaderView } from "@/core/publish/model";
import { COMFORT_SCRIPT, READER_SCRIPT } from "@/core/publish/reader-script";
import { READER_STYLE } from "@/core/publish/reader-style";
import { isAway } from "@/data/transaction";
import { fileOfPlacement } from "@/data/queries/texts-and-files";
import { database } from "@/mechanism/changing";
import { openFile } from "@/outside/files";
import { type Asked, readerPage } from "@/services/reader/reader-page";
import { sendCaptions } from "./captions-route";
import { hasAlready } from "./conditional";
import { sendFile } from "./file-route";
import { ofLength } from "./length";

const hashOf = (script: string) => `'sha256-${createHash("sha256").update(script).digest("base64")}'`;
/**
 * What a document for readers may load. Only its own scripts run; pictures and letters are its own; a player may come from
 * anywhere, after a press.
 * @param framedBy origins that may set it into their pages, separated by blanks; `*`: any
 */
export const policyOf = (scripts: readonly string[], framedBy: string, forms = "'none'"): string =>
  [
    "default-src 'none'",
    `script-src ${scripts.map(hashOf).join(" ")}`,
    "style-src 'unsafe-inline'",
    // Of another site only what a reader presses to see it large.
    "img-src 'self' data: http: https:",
    "font-src 'self'",
    // Nothing of ours asks for anything; what checks pages reads /robots.txt through them.
    "connect-src 'self'",
    "media-src 'self' http: https:",
    "frame-src http: https:",
    "base-uri 'none'",
    `form-action ${forms}`,
    `frame-ancestors ${framedBy === "*" ? "*" : `'self' ${framedBy}`.trim()}`,
  ].join("; ");
const SCRIPTS = [COMFORT_SCRIPT, READER_SCRIPT];
/** That of a page nobody sets into another one. */
export const READER_POLICY = policyOf(SCRIPTS, "");

/** The heads every reader's page has. */
export const readerHeaders = ({
  noindex,
  framedBy,
}: {
  noindex: boolean;
  framedBy: string;
}): Record<string, string> => ({
  "content-type": "text/html; charset=utf-8",
  "cache-control": "public, no-cache",
  "content-security-policy": policyOf(SCRIPTS, framedBy),
  "x-content-type-options": "nosniff",
  "referrer-policy": "no-referrer",
  ...(noindex && { "x-robots-tag": "noindex" }),
});

/** What stands in an address: the code, the number of an edition, the collection inside that is meant. */
export type ReaderParams = { code: string; part?: string; edition?: string };

/** What the address of a document for readers asks for. */
export const askedAt = ({ code, part, edition }: ReaderParams, view: ReaderView | null = null): Asked => ({
  code,
  part: part ?? null,
  // What is no number is the number of no edition.
  edition: edition === undefined ? null : /^[1-9]\d{0,5}$/.test(edition) ? Number(edition) : -1,
  view,
});

/**
 * GET /c/<code>, of a part of it /c/<code>/in/<part>, of an edition /c/<code>/e/<number>: the reader's page, where no front sends it. No cookie is read or set; an unchanged page is 304.
 */
export async function getReaderPage(
  request: Request,
  { params }: { params: Promise<ReaderParams> },
): Promise<Response> {
  const at = request.url.indexOf("?");
  const wish = at < 0 ? null : new URLSearchParams(request.url.slice(at)).get("view");
  const view = READER_VIEWS.includes(wish as ReaderView) ? (wish as ReaderView) : null;
  const page = await readerPage(askedAt(await params, view)).catch(unlessAway);
  if (page === "away") return cannotBeReached();
  if (!page) return notShared();
  const headers: Record<string, string> = { ...readerHeaders(page), etag: page.etag };
  if (hasAlready(request.headers.get("if-none-match"), page.etag))
    return new Response(null, { status: 304, headers });
  return new Response(page.bytes, { status: page.status, headers });
}

/** GET …/p/<hash>: a picture of that page, and of no other. */
export async function getReaderPicture(
  _: Request,
  { params }: { params: Promise<ReaderParams & { hash: string }> },
): Promise<Response> {
  const { hash, ...at } = await params;
  const page = await readerPage(askedAt(at)).catch(unlessAway);
  if (page === "away") return cannotBeReached();
  const file = page?.pictures.has(hash) ? await openFile(hash) : null;
  return file ? pictureAnswer(file) : new Response(null, { status: 404 });
}

/** GET …/f/<item>: the file of an item of that page, and of no other; ?captions: what is said in it. */
export async function getReaderFile(
  request: Request,
  { params }: { params: Promise<ReaderParams & { item: string }> },
): Promise<Response> {
  const { item, ...at } = await params;
  const page = await readerPage(askedAt(at));
  if (new URL(request.url).searchParams.has("captions")) return sendCaptions(page?.captions.get(item));
  const file = page?.files.has(item)
    ? (page.files.get(item) ?? (await fileOfPlacement(database(), item)))
    : null;
  return file ? sendFile(request, file) : new Response(null, { status: 404 });
}

/** A kept picture, which never changes under its name. */
export function pictureAnswer({ stream, bytes }: { stream: NodeJS.ReadableStream; bytes: number }): Response {
  return new Response(Readable.toWeb(stream as Readable) as ReadableStream, {
    headers: {
      "content-type": "image/webp",
      ...ofLength(bytes),
      "cache-control": "private, max-age=31536000, immutable",
      "content-security-policy": "default-src 'none'; sandbox",
      "x-content-type-options": "nosniff",
    },
  });
}

const unlessAway = (error: unknown): "away" => {
  if (isAway(error)) return "away";
  throw error;
};

/** So many seconds later a page that could not be reached asks again. */
const AGAIN = "5";

/** A reader whose page is not known here while the database is away is told what is so; the page comes by itself. */
const cannotBeReached = () =>
  plainPage(
    503,
    "This page cannot be reached just now",
    "It is safe where it is stored, and asked for again every few seconds.",
    { "retry-after": AGAIN },
    html`<meta http-equiv="refresh" content="${AGAIN}">`,
  );

const notShared = () =>
  plainPage(
    404,
    "Nothing is shared at this address",
    "The collection may be private again, or the address may have a slip in it. Whoever gave it to you can send you the new one.",
  );

function plainPage(
  status: number,
  title: string,
  words: string,
  more: Record<string, string> = {},
  head?: Markup,
): Response {
  const page = html`<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
${head}<title>${title}</title>
<style>${new Markup(READER_STYLE)}</style>
<main>
<h1>${title}</h1>
<p class="lead">${words}</p>
</main>
</html>`;
  return new Response(page.text, {
    status,
    headers: {
      "content-type": "text/html; charset=utf-8",
      "content-security-policy": READER_POLICY,
      "cache-control": "no-store",
      ...more,
    },
  });
}
