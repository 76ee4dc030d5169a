import { expect, test } from "vitest";
import { feedDocument } from "./entries";
import { feedsInPage } from "./in-page";
import { newOf } from "./new-of";
import { feedsOfList, writeFeedList } from "./of-list";
import { freshFor, nextAsked, retryAfter, usualWait } from "./when";

const AT = new Date("2026-11-30T12:00:00Z");
const HOUR = 3_600_000;

test("a page names its feeds by links to the same in the form of one (HTML, link type alternate), in their order", () => {
  const page = `<!doctype html><head><base href="/deep/"><link rel="stylesheet alternate" type="text/css" href="a.css">
<link rel="alternate" type="text/html" hreflang="et" href="et.html">
<link rel="Alternate" type="application/rss+xml; charset=utf-8" title=" All  posts " href="feed.xml?a=1&amp;b=2">
<link rel="alternate" type="application/feed+json" href="https://other.example/feed.json">
<link rel="alternate" type="application/atom+xml" href="feed.xml?a=1&amp;b=2"><link rel="alternate" type="application/atom+xml" href="javascript:1">`;
  expect(feedsInPage(page, "https://bog.example/x/y")).toEqual([
    { address: "https://bog.example/deep/feed.xml?a=1&b=2", title: "All posts" },
    { address: "https://other.example/feed.json", title: "" },
  ]);
});

test("an archived and a paged feed say where the older entries stand (RFC 5005, examples of sections 3 and 4, from memory)", () => {
  const paged = `<feed xmlns="http://www.w3.org/2005/Atom"><title>Example Feed</title><link href="http://example.org/"/>
 <link rel="self" href="http://example.org/index.atom"/><link rel="next" href="http://example.org/index.atom?page=2"/>
 <entry><title>Atom-Powered Robots Run Amok</title><link href="http://example.org/2003/12/13/atom03"/><updated>2003-12-13T18:30:02Z</updated><summary>Some text.</summary></entry></feed>`;
  expect(feedDocument(paged, AT)).toMatchObject({
    ...{ title: "Example Feed", home: "http://example.org/", older: "http://example.org/index.atom?page=2" },
    entries: [{ address: "http://example.org/2003/12/13/atom03", about: "Some text." }],
  });
  const archived = `<rss version="2.0" xmlns:atom="http://www.w3.org/2005/Atom"><channel><title>Archived</title><link>https://bog.example/</link><ttl>90</ttl>
 <atom:link rel="prev-archive" href="/2003/11/index.rss"/><item><title>One</title><link>/1</link></item></channel></rss>`;
  expect(feedDocument(archived, AT)).toMatchObject({ every: 90 });
  expect(
    feedDocument(archived.replace("<channel>", '<channel xml:base="https://bog.example/">'), AT),
  ).toMatchObject({
    older: "https://bog.example/2003/11/index.rss",
    entries: [{ address: "https://bog.example/1" }],
  });
});

test("of a feed each address is taken once, what is to come has no day, and what is no feed is none", () => {
  const item = (id: number, at: string, day: string) =>
    `<item><guid isPermaLink="false">${id}</guid><title>T${id}</title><link>${at}</link><pubDate>${day}</pubDate></item>`;
  const rss = `<rss version="2.0"><channel><title>F</title>${item(1, "https://bog.example/a", "Mon, 02 Nov 2026 10:00:00 GMT")}${item(2, "https://bog.example/a", "Tue, 03 Nov 2026 10:00:00 GMT")}${item(3, "https://bog.example/b", "Fri, 01 Jan 2038 00:00:00 GMT")}${item(4, "javascript:alert(1)", "")}</channel></rss>`;
  expect(feedDocument(rss, AT)!.entries).toEqual([
    { address: "https://bog.example/a", title: "T1", about: "", published: new Date("2026-11-02T10:00:00Z") },
    { address: "https://bog.example/b", title: "T3", about: "", published: null },
  ]);
  expect(feedDocument("<html><body>We are sorry</body></html>", AT)).toBeNull();
  expect(feedDocument('{"version":"https://example.org/other","items":[]}', AT)).toBeNull();
});

test("pages that only stand elsewhere now are not new; what has no day is known by its address alone", () => {
  const entry = (hash: string, title: string, day: string | null) => ({
    hash,
    title,
    published: day ? new Date(day) : null,
  });
  const known = [entry("a", "Dams", "2026-11-01"), entry("b", "Sluices", null)];
  const found = newOf(
    [
      entry("x", "Dams", "2026-11-01"),
      entry("y", "Dams", "2026-11-02"),
      entry("z", "Sluices", null),
      entry("b", "Else", null),
      entry("z", "Twice", null),
    ],
    known,
  );
  expect(found.map((one) => one.hash)).toEqual(["y", "z"]);
});

test("when a feed is asked next, by a table worked out by hand", () => {
  const days = (...ago: number[]) => ago.map((n) => new Date(AT.getTime() - n * 24 * HOUR));
  type Case = Partial<Parameters<typeof nextAsked>[0]> & { came?: Date[] };
  const hours = ({ came = [], ...asked }: Case) => {
    const known = { at: AT, failures: 0, usual: usualWait(came), apart: 0 };
    return (nextAsked({ ...known, ...asked }).getTime() - AT.getTime()) / HOUR;
  };
  // Nothing known; a gap of 8 hours, half of it; many at once, an hour; once a month, a day at the most.
  expect(hours({})).toBe(6);
  expect(hours({ came: days(0, 1 / 3, 2 / 3, 1) })).toBe(4);
  expect(hours({ came: days(1, 1, 1, 1) })).toBe(1);
  expect(hours({ came: days(5, 35, 65) })).toBe(24);
  // What it asks for counts, up to a day, and never makes it sooner.
  expect(hours({ came: days(1, 1, 1, 1), fresh: 5 * HOUR })).toBe(5);
  expect(hours({ came: days(5, 35, 65), fresh: 2 * HOUR })).toBe(24);
  expect(hours({ came: days(1, 1), fresh: 400 * HOUR })).toBe(24);
  // Failing, twice as long each time, a week at the most; gone, thirty days.
  expect([1, 2, 3, 8, 9, 400].map((failures) => hours({ failures }))).toEqual([1, 2, 4, 128, 168, 168]);
  expect(hours({ failures: 1, fresh: 30 * HOUR })).toBe(30);
  expect(hours({ failures: 1, fresh: 1e12 })).toBe(168);
  expect(hours({ failures: 1, isGone: true })).toBe(720);
  expect(hours({ apart: 1 })).toBeCloseTo(6.6, 9);
});

test("how long one is to wait (RFC 9110, 10.2.3, both examples) and how long an answer is fresh (RFC 9111, 4.2.1)", () => {
  expect(retryAfter("120", AT)).toBe(120_000);
  const then = new Date("1999-12-31T23:58:00Z");
  expect(retryAfter("Fri, 31 Dec 1999 23:59:59 GMT", then)).toBe(119_000);
  expect(retryAfter("Fri, 31 Dec 1999 23:59:59 GMT", AT)).toBe(0);
  expect([undefined, "", "soon", "-5", "1e9"].map((one) => retryAfter(one, AT))).toEqual(Array(5).fill(null));
  expect(freshFor({ "cache-control": "public, max-age=3600" })).toBe(3_600_000);
  expect(freshFor({ "cache-control": "no-cache, max-age=3600" })).toBeNull();
  const [date, expires] = ["Mon, 30 Nov 2026 12:00:00 GMT", "Mon, 30 Nov 2026 14:00:00 GMT"];
  expect(freshFor({ date, expires })).toBe(2 * HOUR);
  // What is no date is in the past (RFC 9111, 5.3).
  expect(freshFor({ date, expires: "0" })).toBe(0);
});

test("a list of feeds is read in whatever folders they stand, and written so that it is read again (OPML 2.0)", () => {
  const list = `<?xml version="1.0"?><opml version="2.0"><head><title>mine</title></head><body>
<outline text="Bogs"><outline type="rss" text="Bog &amp; fen" xmlUrl="https://bog.example/rss?a=1&amp;b=2" htmlUrl="https://bog.example/"/>
<outline text="No feed" htmlUrl="https://x.example/"/></outline><outline title="Twice" xmlUrl="https://bog.example/rss?a=1&amp;b=2"/>
<outline title="Old way" xmlUrl="feed://fen.example/atom"/></body></opml>`;
  const feeds = [
    { address: "https://bog.example/rss?a=1&b=2", title: "Bog & fen" },
    { address: "https://fen.example/atom", title: "Old way" },
  ];
  expect(feedsOfList(list, 10)).toEqual(feeds);
  expect(feedsOfList(list, 1)).toHaveLength(1);
  expect(feedsOfList("<html><outline xmlUrl='https://a.example/'/></html>", 10)).toBeNull();
  const again = writeFeedList(
    feeds.map((one) => ({ ...one, home: "" })),
    AT,
  );
  expect(feedsOfList(again, 10)).toEqual(feeds);
});
