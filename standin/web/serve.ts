import { createHash } from "node:crypto";
import http from "node:http";
import { archive } from "./archive";
import { call, clip, docx, pdf, picture } from "./assets";
import { references } from "./references";
import type { Page, Site } from "./page";
import { SITES } from "./sites";
import { oembed, writePage } from "./write-page";

type Answer = { status?: number; type?: string; headers?: Record<string, string>; body?: string | Buffer };

/** The stand-in web: all sites on one port, told apart by their names under .localhost. */
export function serveWeb(port: number, mailbox: http.RequestListener): Promise<http.Server> {
  const server = http.createServer((request, response) => {
    const name = (request.headers.host ?? "").split(":")[0]!.replace(/\.localhost$/, "");
    if (name === "mail") return mailbox(request, response);
    if (name === "archive") return archive(request, response);
    if (name === "doi") return references(request, response);
    const site = SITES.find((one) => one.host === name);
    const origin = `http://${request.headers.host}`;
    const url = new URL(request.url ?? "/", origin);
    answer(site, url, origin, response)
      .then((told) => told && send(request, response, told))
      .catch(() => response.destroy());
  });
  return new Promise((resolve) => server.listen(port, "127.0.0.1", () => resolve(server)));
}

async function answer(
  site: Site | undefined,
  url: URL,
  origin: string,
  response: http.ServerResponse,
): Promise<Answer | null> {
  if (!site) return frontOfAll(url.port);
  const page = site.pages.find((one) => one.path === url.pathname);
  if (page) return asPage(site, page, origin);
  if (url.pathname === "/") return html(frontOf(site));
  return (await files(site, url, origin)) ?? oddities(site, url, origin, response);
}

function asPage(site: Site, page: Page, origin: string): Answer {
  const text = writePage(site, page, origin);
  if (page.charset === "windows-1252") return { type: "text/html", body: windows1252(text) };
  if (page.charset === "shift_jis") return { type: "text/html", body: shiftJis(text) };
  return html(text);
}

async function files(site: Site, url: URL, origin: string): Promise<Answer | null> {
  const [, seed, ending] = /^\/picture(\/.+)\.(jpg|png)$/.exec(url.pathname) ?? [];
  if (seed)
    return {
      type: ending === "jpg" ? "image/jpeg" : "image/png",
      body: await picture(site.host + seed, ending as "jpg" | "png"),
    };
  switch (url.pathname) {
    case "/files/clip.webm":
      return { type: "video/webm", body: clip() };
    case "/files/call.wav":
      return { type: "audio/wav", body: call() };
    case "/files/dipwell-sheet.pdf":
      return {
        type: "application/pdf",
        body: pdf("Dipwell sheet, Year 10"),
        headers: { "content-disposition": `inline; filename="Dipwell sheet, Year 10.pdf"` },
      };
    case "/files/field-book.docx":
      return {
        type: "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
        body: docx("Field book, blank pages"),
      };
    case "/files/core-sample.png":
      return { type: "image/png", body: await picture("core", "png") };
    case "/files/logger.bin":
      return { type: "application/octet-stream", body: Buffer.alloc(2_000, 7) };
    case "/feed.xml":
      return asFeed(feed(site, origin));
    case "/sitemap.xml":
      return { type: "application/xml", body: sitemap(site, origin) };
    case "/oembed": {
      const page = site.pages.find((one) => url.searchParams.get("url")?.endsWith(one.path));
      return page ? { type: "application/json", body: JSON.stringify(oembed(site, page, origin)) } : null;
    }
    case "/robots.txt":
      return {
        type: "text/plain",
        body:
          site.host === "heath-library"
            ? "User-agent: *\nDisallow: /private/\n"
            : "User-agent: *\nAllow: /\n",
      };
  }
  const many = /^\/many\/(\d+)$/.exec(url.pathname)?.[1];
  if (many) return html(manyPage(Number(many), site.name));
  if (url.pathname.startsWith("/player/"))
    return html(
      `<!doctype html><title>Player</title><style>body{margin:0;background:#000}video{width:100%;height:100vh}</style><video controls autoplay src="/files/clip.webm"></video>`,
    );
  return null;
}

/** What real sites do to those who fetch them. */
async function oddities(
  site: Site,
  url: URL,
  origin: string,
  response: http.ServerResponse,
): Promise<Answer | null> {
  switch (url.pathname) {
    case "/short":
      return { status: 301, headers: { location: `${site.pages[0]!.path}?utm_source=short` } };
    case "/round":
      return { status: 302, headers: { location: "/round" } };
    case "/inside":
      return { status: 302, headers: { location: "http://127.0.0.1:22/" } };
    case "/canonical": {
      const first = site.pages[0]!;
      return html(
        `<!doctype html><title>${first.title}, for printing</title><link rel="canonical" href="${origin}${first.path}"><h1>${first.title}</h1><p>The same, for printing.</p>`,
      );
    }
    case "/gone":
      return { status: 410, type: "text/html", body: "<h1>Gone</h1>" };
    case "/error":
      return { status: 500, type: "text/html", body: "<h1>Our error</h1>" };
    case "/members":
      return { status: 403, type: "text/html", body: "<h1>Members only</h1>" };
    case "/slow":
      await new Promise((resolve) => setTimeout(resolve, 15_000));
      return html("<title>At last</title>");
    case "/endless":
      return endless(response);
    case "/long":
      return html(
        `<!doctype html><html lang="en"><title>The long minutes of every meeting</title><body><p>${"The bog was discussed. ".repeat(140_000)}</p>`,
      );
    case "/archive":
      return html(
        `<!doctype html><title>Results – ${site.name}</title><h1>Results</h1><ol>${site.pages.map((page) => `<li><a href="${page.path}?utm_source=results">${page.title}</a></li>`).join("")}</ol>`,
      );
  }
  return {
    status: 404,
    type: "text/html; charset=utf-8",
    body: "<!doctype html><title>Not here</title><h1>Not here</h1>",
  };
}

function endless(response: http.ServerResponse): null {
  response.writeHead(200, { "content-type": "text/html" });
  const more = () => {
    while (!response.destroyed && response.write("<p>and so on, ".repeat(1_000)));
    if (!response.destroyed) response.once("drain", more);
  };
  more();
  return null;
}

function send(
  request: http.IncomingMessage,
  response: http.ServerResponse,
  { status = 200, type = "text/html; charset=utf-8", headers = {}, body = "" }: Answer,
): void {
  const bytes = Buffer.from(body as string);
  const range = /^bytes=(\d+)-(\d*)$/.exec(request.headers.range ?? "");
  if (headers.etag && request.headers["if-none-match"] === headers.etag) {
    response.writeHead(304, headers);
    return void response.end();
  }
  if (range && status === 200) {
    const from = Number(range[1]);
    const to = range[2] ? Math.min(Number(range[2]), bytes.length - 1) : bytes.length - 1;
    response.writeHead(206, {
      ...headers,
      "content-type": type,
      "content-range": `bytes ${from}-${to}/${bytes.length}`,
      "accept-ranges": "bytes",
      "content-length": to - from + 1,
    });
    return void response.end(bytes.subarray(from, to + 1));
  }
  response.writeHead(status, {
    ...headers,
    "content-type": type,
    "accept-ranges": "bytes",
    "content-length": bytes.length,
  });
  response.end(bytes);
}

const escaped = (text: string) => text.replace(/&/g, "&amp;").replace(/</g, "&lt;");
const html = (body: string): Answer => ({ body });

function frontOfAll(port: string): Answer {
  const links = SITES.map(
    (site) =>
      `<li><a href="http://${site.host}.localhost:${port}/">${site.name}</a> (${site.pages.length} pages)</li>`,
  ).join("");
  return html(
    `<!doctype html><title>The stand-in web</title><h1>The stand-in web</h1><ul>${links}<li><a href="http://mail.localhost:${port}/">Mailbox</a></li></ul>`,
  );
}

const frontOf = (site: Site) =>
  `<!doctype html><html lang="en"><title>${site.name}</title><link rel="alternate" type="application/atom+xml" title="What is new at ${site.name}" href="/feed.xml"><meta property="og:title" content="${site.name}"><h1>${site.name}</h1><ul>${site.pages.map((page) => `<li><a href="${page.path}">${page.title}</a></li>`).join("")}</ul>`;

const asFeed = (body: string): Answer => ({
  ...{ type: "application/atom+xml", body },
  headers: { etag: `"${createHash("sha256").update(body).digest("hex").slice(0, 16)}"` },
});

const DAY = 86_400_000;

/** One site writes something every day: what was read at its wells in the morning. */
function daily(site: Site, origin: string): string[] {
  if (site.host !== "peat-notebook") return [];
  const today = Math.floor(Date.now() / DAY);
  return [0, 1, 2, 3].map((ago) => {
    const at = `${origin}/many/${today - ago}`;
    const day = new Date((today - ago) * DAY).toISOString().slice(0, 10);
    return `<entry><id>${at}</id><title>Well readings of ${day}</title><link href="${at}"/><updated>${day}T00:00:01Z</updated><summary>Ten wells before breakfast: two are rising, one is not to be found.</summary></entry>`;
  });
}

function feed(site: Site, origin: string): string {
  const entries = site.pages.map(
    (page) =>
      `<entry><id>${origin}${page.path}</id><title>${escaped(page.title)}</title><link href="${origin}${page.path}"/><updated>${(page.on ?? "2025-01-01").replace(/\//g, "-").padEnd(10, "-01").slice(0, 10)}T08:00:00Z</updated><summary>${escaped(page.about)}</summary></entry>`,
  );
  return `<?xml version="1.0" encoding="utf-8"?><feed xmlns="http://www.w3.org/2005/Atom"><id>${origin}/</id><title>${site.name}</title><link href="${origin}/"/><updated>2026-03-01T08:00:00Z</updated>${[...daily(site, origin), ...entries].join("")}</feed>`;
}

/** All pages of a site (https://www.sitemaps.org/protocol.html). */
const sitemap = (site: Site, origin: string): string =>
  `<?xml version="1.0" encoding="UTF-8"?><urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${site.pages.map(({ path }) => `<url><loc>${origin}${path}</loc></url>`).join("")}</urlset>`;

/** Western European bytes: the characters of Latin-1 as they are, those of the upper table by hand. */
function windows1252(text: string): Buffer {
  const upper: Record<string, number> = {
    "–": 0x96,
    "—": 0x97,
    "’": 0x92,
    "‘": 0x91,
    "“": 0x93,
    "”": 0x94,
    "…": 0x85,
    "€": 0x80,
  };
  return Buffer.from([...text].map((char) => upper[char] ?? char.charCodeAt(0) & 0xff));
}

/** Shift_JIS bytes, found by asking the platform's decoder for every two-byte code once. */
function shiftJis(text: string): Buffer {
  const decoder = new TextDecoder("shift_jis");
  const table = new Map<string, [number, number]>();
  for (const lead of [...range(0x81, 0x9f), ...range(0xe0, 0xef)])
    for (const trail of range(0x40, 0xfc)) {
      const char = decoder.decode(Uint8Array.of(lead, trail));
      if (char.length === 1 && !table.has(char)) table.set(char, [lead, trail]);
    }
  return Buffer.from(
    [...text].flatMap((char) =>
      char.charCodeAt(0) < 0x80 ? [char.charCodeAt(0)] : (table.get(char) ?? [0x3f]),
    ),
  );
}

/** One of as many pages as wanted, each with words of its own. */
function manyPage(number: number, site: string): string {
  const words = Array.from(
    { length: 40 },
    (_, i) =>
      `<p>Well ${number} of round ${i} stood at ${(number * 7 + i * 13) % 60} centimetres, ${["rising", "falling", "still"][(number + i) % 3]}, with ${(number * i) % 17} sundews beside it and the wind in the ${["west", "east", "north"][i % 3]}.</p>`,
  ).join("");
  return `<!doctype html><html lang="en"><head><title>Well ${number} – ${site}</title><meta property="og:title" content="Well ${number}"></head><body><nav><a href="/">Home</a></nav><main><h1>Well ${number}</h1>${words}</main></body></html>`;
}

const range = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);
