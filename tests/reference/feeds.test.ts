import { execFileSync } from "node:child_process";
import { expect, test } from "vitest";
import { FEED_FORMATS, type Feed, opml } from "@/core/publish/feeds";
import { embedOf, embedXml } from "@/core/publish/oembed-out";
import { sitemap } from "@/core/publish/sitemap";

const EVIL = `]]> & <b>"quoted"</b> 'single' \u0007 סביב 沼`;
const entry = (n: number, more: Partial<Feed["entries"][number]> = {}): Feed["entries"][number] => ({
  id: `urn:uuid:0199f3a0-0000-7000-8000-00000000000${n}`,
  title: `Entry ${n}`,
  address: `https://bog.example/${n}?a=1&b=2`,
  place: `https://moss.example/c/abc#i-${n}`,
  context: "",
  about: "",
  authors: [],
  tags: [],
  added: new Date(Date.UTC(2026, 4, n, 9, 30)),
  enclosure: null,
  ...more,
});
const FEED: Feed = {
  id: "urn:uuid:0199f3a0-0000-7000-8000-000000000000",
  title: `Moss & fen ${EVIL}`,
  about: "What came in last",
  page: "https://moss.example/c/abc",
  self: "https://moss.example/c/abc/feed.atom?page=2",
  first: "https://moss.example/c/abc/feed.atom",
  previous: "https://moss.example/c/abc/feed.atom",
  next: "https://moss.example/c/abc/feed.atom?page=3",
  author: "Lantern <Moss>",
  language: "en-GB",
  updated: new Date(Date.UTC(2026, 4, 9, 12)),
  entries: [
    entry(9, { title: EVIL, context: `Why: ${EVIL}`, about: "About it", authors: ["Ama Okeri", "R. <Two>"], tags: ["water table", "a&b"] }),
    entry(8, { enclosure: { address: "https://bog.example/a.ogg?x=1&y=2", type: "audio/ogg", bytes: 1234 } }),
    entry(7, { enclosure: { address: "https://bog.example/b.webm", type: "video/webm", bytes: null } }),
  ],
}; // prettier-ignore

/** What Debian's python3-feedparser reads: a widely used reader of feeds, and strict about nothing but sense. */
function read(text: string) {
  const script = `
import feedparser, json, sys
f = feedparser.parse(sys.stdin.buffer.read())
links = lambda e: {l.get("rel"): l.get("href") for l in e.get("links", [])}
print(json.dumps({
  "bozo": bool(f.bozo), "version": f.version, "title": f.feed.get("title"), "links": links(f.feed),
  "entries": [{
    "id": e.get("id"), "title": e.get("title"), "link": e.get("link"), "when": list(e.published_parsed[:5]),
    "content": (e.content[0].value if "content" in e else e.get("summary", "")),
    "tags": [t.term for t in e.get("tags", [])], "authors": [a.get("name") for a in e.get("authors", [])],
    "enclosures": [[x.get("href"), x.get("type"), x.get("length")] for x in e.get("enclosures", [])],
  } for e in f.entries]}))`;
  return JSON.parse(
    execFileSync("/usr/bin/python3", ["-c", script], { input: text, encoding: "utf8" }),
  ) as {
    bozo: boolean;
    version: string;
    title: string;
    links: Record<string, string>;
    entries: { id: string; title: string; link: string; when: number[]; content: string; tags: string[]; authors: string[]; enclosures: string[][] }[];
  }; // prettier-ignore
}

test.each([
  ["atom", "atom10"],
  ["rss", "rss20"],
] as const)("feedparser reads our %s as it was meant", (format, version) => {
  const found = read(FEED_FORMATS[format].write(FEED));
  expect([found.bozo, found.version]).toEqual([false, version]);
  expect(found.entries.map(({ id, link, when }) => [id, link, when])).toEqual(
    FEED.entries.map(({ id, address }, i) => [id, address, [2026, 5, 9 - i, 9, 30]]),
  );
  const [first, second, third] = found.entries;
  expect(first!.content).toContain("About it");
  expect(first!.content).toContain("&lt;b&gt;");
  expect(first!.content).not.toContain("<b>");
  expect(first!.tags).toEqual(["water table", "a&b"]);
  if (format === "atom") expect(first!.authors).toEqual(["Ama Okeri", "R. <Two>"]);
  expect(second!.enclosures).toEqual([["https://bog.example/a.ogg?x=1&y=2", "audio/ogg", "1234"]]);
  expect(third!.enclosures[0]!.slice(0, 2)).toEqual(["https://bog.example/b.webm", "video/webm"]);
  expect(found.links.next).toBe(FEED.next);
});

/** Whether xmllint (libxml2) takes it for well-formed XML 1.0. */
const wellFormed = (text: string) =>
  execFileSync("xmllint", ["--noout", "--nonet", "-"], { input: text, encoding: "utf8" });

test("everything that goes out as XML is well-formed, whatever stands in it", () => {
  const title = EVIL;
  wellFormed(FEED_FORMATS.atom.write(FEED));
  wellFormed(FEED_FORMATS.rss.write(FEED));
  wellFormed(opml(title, [{ title, feed: "https://a.example/?a=1&b=2", page: "https://a.example/" }]));
  wellFormed(sitemap([{ address: "https://a.example/?a=1&b=2", changed: new Date(0) }]));
  wellFormed(embedXml(embedOf({ title: "<&>", author: "'\"", address: "https://a.example/?a=1&b=2", home: "https://a.example" }, { width: NaN, height: NaN })));
}); // prettier-ignore

test("RSS 2.0's required elements are there, each once; JSON Feed says what its version 1.1 asks for", () => {
  const rss = FEED_FORMATS.rss.write(FEED);
  // https://www.rssboard.org/rss-specification, “Required channel elements”.
  const channel = rss.slice(0, rss.indexOf("<item>"));
  for (const name of ["title", "link", "description"])
    expect(channel.match(new RegExp(`<${name}>`, "g")), name).toHaveLength(1);
  expect(rss.match(/<enclosure url="[^"]+" type="[^"]+" length="\d+"\/>/g)).toHaveLength(2);
  // https://www.jsonfeed.org/version/1.1/: version and title are required, of an item its id, as a string, and content.
  const json = JSON.parse(FEED_FORMATS.json.write(FEED));
  expect(json).toMatchObject({ version: "https://jsonfeed.org/version/1.1", title: FEED.title, next_url: FEED.next, language: "en-GB" });
  for (const item of json.items) expect([typeof item.id, typeof item.content_html]).toEqual(["string", "string"]);
  expect(json.items[1].attachments).toEqual([{ url: "https://bog.example/a.ogg?x=1&y=2", mime_type: "audio/ogg", size_in_bytes: 1234 }]);
}); // prettier-ignore

test("oEmbed 1.0: what section 2.3.4 requires of every answer and of a rich one, within the size that is asked for", () => {
  const page = { title: "T", author: "A", address: "https://a.example/c/x", home: "https://a.example" };
  const embed = embedOf(page, { width: 640, height: 400 });
  expect(embed).toMatchObject({ version: "1.0", type: "rich", width: 640, height: 400 });
  expect(embed.html).toMatch(/^<iframe src="https:\/\/a\.example\/c\/x" width="640" height="400"/);
  // 2.3.4.1: a thumbnail is named with both its sizes, and must not be larger than asked for.
  expect("thumbnail_url" in embed).toBe(false);
  const free = embedOf(page, { width: NaN, height: NaN });
  expect([free.thumbnail_width, free.thumbnail_height]).toEqual([1_200, 630]);
});
