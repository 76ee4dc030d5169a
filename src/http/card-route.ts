import { drawCard } from "@/outside/draw-card";
import { type ReaderPage, readerPage } from "@/services/reader/reader-page";
import { askedAt, type ReaderParams } from "./reader-route";
import { hasAlready } from "./conditional";

/** Drawn once for each page as it is; it goes with the page. */
const drawn = new WeakMap<ReaderPage, Promise<Uint8Array<ArrayBuffer>>>();

/** GET …/card.png: the picture for links to a reader's page. */
export async function getCard(
  request: Request,
  { params }: { params: Promise<ReaderParams> },
): Promise<Response> {
  const page = await readerPage(askedAt(await params));
  if (!page?.card) return new Response(null, { status: 404 });
  const headers = {
    "content-type": "image/png",
    etag: page.etag,
    "cache-control": "public, max-age=300",
    "content-security-policy": "default-src 'none'; sandbox",
    "x-content-type-options": "nosniff",
    // Whoever shows it beside a link may set it into their page.
    "cross-origin-resource-policy": "cross-origin",
  };
  if (hasAlready(request.headers.get("if-none-match"), page.etag))
    return new Response(null, { status: 304, headers });
  let work = drawn.get(page);
  if (!work) {
    work = drawCard(page.card);
    drawn.set(page, work);
    work.catch(() => drawn.delete(page));
  }
  return new Response(await work, { headers });
}
