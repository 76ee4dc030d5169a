import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { layOut } from "@/core/imports/brought";
import { readAny } from "@/core/imports/read-any";
import { readMessage } from "@/outside/read-message";
import { forwardedOrigin } from "@/core/mail/forwarded";

const read = (name: string, text: string) => {
  const { format, file } = readAny(name, text);
  return { format, title: file.root.title, ...layOut(file, name) };
};

/** RFC 4287 §1.1, the second example, with its whole set of elements but the pictures. */
const ATOM = `<?xml version="1.0" encoding="utf-8"?>
<feed xmlns="http://www.w3.org/2005/Atom">
  <title type="text">dive into mark</title>
  <subtitle type="html">A &lt;em&gt;lot&lt;/em&gt; of effort went into making this effortless</subtitle>
  <updated>2005-07-31T12:29:29Z</updated>
  <id>tag:example.org,2003:3</id>
  <link rel="alternate" type="text/html" hreflang="en" href="http://example.org/"/>
  <link rel="self" type="application/atom+xml" href="http://example.org/feed.atom"/>
  <entry>
    <title>Atom draft-07 snapshot</title>
    <link rel="alternate" type="text/html" href="http://example.org/2005/04/02/atom"/>
    <link rel="enclosure" type="audio/mpeg" length="1337" href="http://example.org/audio/ph34r_my_podcast.mp3"/>
    <id>tag:example.org,2003:3.2397</id>
    <updated>2005-07-31T12:29:29Z</updated>
    <published>2003-12-13T08:29:29-04:00</published>
    <author><name>Mark Pilgrim</name><uri>http://example.org/</uri><email>f8dy@example.com</email></author>
    <content type="xhtml" xml:lang="en" xml:base="http://diveintomark.org/"><div xmlns="http://www.w3.org/1999/xhtml"><p><i>[Update: The Atom draft is finished.]</i></p></div></content>
  </entry>
</feed>`;

test("Atom: the example of RFC 4287 §1.1", () => {
  const { format, title, lines } = read("feed.xml", ATOM);
  expect([format, title]).toEqual(["feed", "dive into mark"]);
  expect(lines).toHaveLength(1);
  expect(lines[0]).toMatchObject({
    address: "http://example.org/2005/04/02/atom",
    title: "Atom draft-07 snapshot",
    context: "[Update: The Atom draft is finished.]",
  });
});

/** https://www.jsonfeed.org/version/1.1/, "Examples": the simple one. */
test("JSON Feed 1.1: its own simple example", () => {
  const { format, title, lines } = read(
    "feed.json",
    `{"version":"https://jsonfeed.org/version/1.1","title":"My Example Feed","home_page_url":"https://example.org/","feed_url":"https://example.org/feed.json","items":[{"id":"2","content_text":"This is a second item.","url":"https://example.org/second-item"},{"id":"1","content_html":"<p>Hello, world!</p>","url":"https://example.org/initial-post"}]}`,
  );
  expect([format, title]).toEqual(["feed", "My Example Feed"]);
  expect(lines.map(({ address, context }) => [address, context])).toEqual([
    ["https://example.org/second-item", "This is a second item."],
    ["https://example.org/initial-post", "Hello, world!"],
  ]);
});

/** OPML 2.0 (https://opml.org/spec2.opml), shaped as its examples "subscription list" and "directory". */
test("OPML 2.0: a subscription list, folders, categories, comments that are no links", () => {
  const { format, places, lines, passedOver } = read(
    "list.opml",
    `<?xml version="1.0" encoding="ISO-8859-1"?><opml version="2.0"><head><title>mySubscriptions.opml</title><dateCreated>Sat, 18 Jun 2005 12:11:52 GMT</dateCreated></head><body>
    <outline text="News"><outline text="CNET" description="Tech news" htmlUrl="http://news.example/" language="unknown" title="CNET News" type="rss" version="RSS2" xmlUrl="http://news.example/rss.xml" category="/Technology/News,/Moss" created="Mon, 27 Jan 2003 22:11:52 GMT"/></outline>
    <outline text="A link" type="link" url="http://link.example/page"/><outline text="Only words"/></body></opml>`,
  );
  expect(format).toBe("opml");
  expect(places.map((place) => place.title)).toEqual(["mySubscriptions.opml", "News"]);
  expect(lines).toMatchObject([
    { address: "http://link.example/page", title: "A link", place: 0 },
    {
      address: "http://news.example/",
      title: "CNET News",
      context: "Tech news",
      tagText: "News,Moss",
      addedAt: "2003-01-27T22:11:52.000Z",
      place: 1,
    },
  ]);
  expect(passedOver).toEqual([{ text: "Only words", why: "no-address" }]);
});

/** Written by Debian's Firefox 153 when it ended (browser.bookmarks.autoExportHTML), from bookmarks it had imported. */
test("a bookmark file as a real browser writes it: rules between links, security headers in the page, tags", () => {
  const { format, places, lines, passedOver, separator } = read(
    "bookmarks.html",
    readFileSync("tests/reference/files/firefox-bookmarks.html", "utf8"),
  );
  expect([format, separator]).toEqual(["bookmarks", "comma"]);
  expect(passedOver).toEqual([{ text: "A script javascript:alert(1)", why: "not-web" }]);
  expect(places.map(({ title, parent }) => [title, parent])).toEqual([
    ["Bookmarks Menu", null],
    ["Field season", null],
    ["Wells „vier“ & five", 1],
  ]);
  expect(lines.map(({ title, address, place }) => [title, address, place])).toEqual([
    ["Rain today", "https://rain.example/today", 0],
    ["Depth & level", "https://peat.example/depth?x=1&y=2", 1],
    ["Moss key", "https://moss.example/", 1],
    ["Well four", "https://peat.example/wells/4", 2],
    ["Well five", "https://peat.example/wells/5", 2],
  ]);
  expect(lines[1]).toMatchObject({ tagText: "moss,water table", addedAt: "2023-11-14T22:13:30.000Z" });
});

describe("messages", () => {
  /** RFC 5322, appendix A.1.1. */
  test("a simple message", async () => {
    const letter = await readMessage(
      Buffer.from(
        'From: John Doe <jdoe@machine.example>\r\nTo: Mary Smith <mary@example.net>\r\nSubject: Saying Hello\r\nDate: Fri, 21 Nov 1997 09:55:06 -0600\r\nMessage-ID: <1234@local.machine.example>\r\n\r\nThis is a message just to say hello.\r\nSo, "Hello".\r\n',
      ),
    );
    expect(letter).toMatchObject({
      from: { name: "John Doe", address: "jdoe@machine.example" },
      subject: "Saying Hello",
      sentBy: "jdoe@machine.example",
    });
    expect(letter.date!.toISOString()).toBe("1997-11-21T15:55:06.000Z");
    expect(letter.copy.text).toContain("just to say hello.");
  });

  /** RFC 2047 §8: encoded words in From, To and Subject. */
  test("encoded words", async () => {
    const letter = await readMessage(
      Buffer.from(
        "From: =?ISO-8859-1?Q?Patrik_F=E4ltstr=F6m?= <paf@nada.kth.se>\r\nTo: x@y.example\r\nSubject: =?ISO-8859-1?B?SWYgeW91IGNhbiByZWFkIHRoaXMgeW8=?=\r\n =?ISO-8859-2?B?dSB1bmRlcnN0YW5kIHRoZSBleGFtcGxlLg==?=\r\n\r\nx\r\n",
      ),
    );
    expect(letter.from.name).toBe("Patrik Fältström");
    expect(letter.subject).toBe("If you can read this you understand the example.");
  });

  /** RFC 2046 §5.1.1: two parts of text, one of them with the type only implied; preamble and epilogue are no text. */
  test("a message of several parts", async () => {
    const letter = await readMessage(
      Buffer.from(
        'From: Nathaniel Borenstein <nsb@bellcore.com>\r\nTo: Ned Freed <ned@innosoft.com>\r\nDate: Sun, 21 Mar 1993 23:56:48 -0800 (PST)\r\nSubject: Sample message\r\nMIME-Version: 1.0\r\nContent-type: multipart/mixed; boundary="simple boundary"\r\n\r\nThis is the preamble.  It is to be ignored.\r\n\r\n--simple boundary\r\n\r\nThis is implicitly typed plain US-ASCII text.\r\nIt does NOT end with a linebreak.\r\n--simple boundary\r\nContent-type: text/plain; charset=us-ascii\r\n\r\nThis is explicitly typed plain US-ASCII text.\r\nIt DOES end with a linebreak.\r\n\r\n--simple boundary--\r\n\r\nThis is the epilogue.  It is also to be ignored.\r\n',
      ),
    );
    expect(letter.copy.text).toContain("implicitly typed");
    expect(letter.copy.text).toContain("explicitly typed");
    expect(letter.copy.text).not.toMatch(/preamble|epilogue/);
  });

  /** How mail programs write a forwarded message: common practice, no single source. */
  test.each([
    [
      "---------- Forwarded message ---------\nFrom: The Peat Weekly <weekly@peat.example>\nDate: Fri, Mar 6, 2026 at 7:00 AM\nSubject: Carbon and crane flies\nTo: <ama@lantern.example>\n\nGood morning.",
    ],
    [
      "Begin forwarded message:\n\nFrom: The Peat Weekly <weekly@peat.example>\nSubject: Carbon and crane flies\nDate: 6 March 2026 at 07:00:00 GMT\nTo: ama@lantern.example\n\nGood morning.",
    ],
    [
      "---------- Mensaje reenviado ---------\nDe: The Peat Weekly <weekly@peat.example>\nFecha: 6 March 2026\nAsunto: Carbon and crane flies\n\nGood morning.",
    ],
    [
      "________________________________\nVan: The Peat Weekly <weekly@peat.example>\nVerzonden: 6 March 2026 om 07:00\nOnderwerp: Carbon and crane flies\n\nGood morning.",
    ],
    [
      "Début du message transféré :\n\nDe: The Peat Weekly <weekly@peat.example>\nObjet: Carbon and crane flies\nDate: 6 mars 2026 à 07:00:00\n\nGood morning.",
    ],
    [
      "-------- Weitergeleitete Nachricht --------\nBetreff: Carbon and crane flies\nDatum: Fri, 6 Mar 2026 07:00:00 +0000\nVon: The Peat Weekly <weekly@peat.example>\n\nGood morning.",
    ],
  ])("forwarded in the text %#", (text) => {
    expect(forwardedOrigin(`See below.\n\n${text}`)).toEqual({
      note: "See below.",
      from: "The Peat Weekly <weekly@peat.example>",
      subject: "Carbon and crane flies",
      date: "2026-03-06",
      body: "Good morning.",
    });
  });
});
