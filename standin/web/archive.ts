import type http from "node:http";
import { SITES } from "./sites";
import { writePage } from "./write-page";

/** When this small archive of the web came by; RFC 7089 lets it be asked for the nearest to a moment. */
const TAKEN = ["2024-05-03T08:30:00Z", "2025-09-12T17:05:00Z"].map((at) => new Date(at));

const digits = (at: Date) => at.toISOString().replace(/\D/g, "").slice(0, 14);

/** An archive of the stand-in web: `/timegate/<address>` leads to `/web/<moment>/<address>`. */
export const archive: http.RequestListener = (request, response) => {
  const origin = `http://${request.headers.host}`;
  const [, place, moment, original] =
    /^\/(?:(timegate)|web\/(\d{14}))\/(http:\/\/.+)$/.exec(request.url ?? "") ?? [];
  const page = original && pageOf(original);
  if (!page) return void response.writeHead(404, { "content-type": "text/plain" }).end("Not kept here");
  const links = `<${original}>; rel="original", <${origin}/timegate/${original}>; rel="timegate"`;
  if (place) {
    const wanted = new Date(String(request.headers["accept-datetime"] ?? TAKEN[0]!.toUTCString())).getTime();
    if (Number.isNaN(wanted)) return void response.writeHead(400).end("Accept-Datetime cannot be read");
    const nearest = TAKEN.toSorted((a, b) => Math.abs(+a - wanted) - Math.abs(+b - wanted))[0]!;
    const location = `${origin}/web/${digits(nearest)}/${original}`;
    return void response.writeHead(302, { vary: "accept-datetime", location, link: links }).end();
  }
  const at = TAKEN.find((one) => digits(one) === moment);
  if (!at) return void response.writeHead(404).end();
  const headers = { "memento-datetime": at.toUTCString(), link: links };
  response.writeHead(200, { "content-type": "text/html; charset=utf-8", ...headers }).end(page);
};

/** What stood there: a page of a site, or, where a site says that something is gone, what it was. */
function pageOf(original: string): string | null {
  const url = URL.canParse(original) ? new URL(original) : null;
  const site = SITES.find((one) => `${one.host}.localhost` === url?.hostname);
  if (!site || !url) return null;
  // What had a year in its address once has none any more.
  const page = site.pages.find((one) => one.path === url.pathname.replace(/^\/\d{4}(?=\/)/, ""));
  if (page) return writePage(site, page, url.origin);
  return url.pathname === "/gone"
    ? `<!doctype html><html lang="en"><title>What is gone – ${site.name}</title><h1>What is gone</h1><p>As it stood here once.</p>`
    : null;
}
