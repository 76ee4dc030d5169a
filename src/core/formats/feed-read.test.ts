import { expect, test } from "vitest";
import { readAny } from "../imports/read-any";
import { readFeed } from "./feed-read";
import { readOpml } from "./opml-read";

const ATOM = 'xmlns="http://www.w3.org/2005/Atom"';
const read = (feed: string) =>
  readFeed(feed)!.root.children.flatMap((one) =>
    one.type === "link"
      ? [
          {
            title: one.title,
            address: one.address,
            tags: one.tagText,
            by: one.reference?.authors,
            at: one.addedAt?.toISOString(),
          },
        ]
      : [],
  );

test("the page of an entry is its alternate link, by its own base; other relations are something else (RFC 4287, 4.2.7.2)", () => {
  expect(
    read(`<feed ${ATOM} xml:base="https://bog.example/feed/"><title>F</title><author><name>Ona Weld</name></author>
<entry><title type="text">a &lt;b&gt;</title><link rel="self" href="self.xml"/><link rel="edit" href="https://x.example/"/>
 <link rel="alternate" type="application/pdf" href="a.pdf"/><link type="text/html" href="../a"/>
 <category term="peat, wet" label="Peat, wet"/><category term="dams"/><published>2026-03-09T10:00:00Z</published></entry>
<entry xml:base="https://fen.example/x/"><title type="html">&lt;i&gt;b&lt;/i&gt;</title><link href="b"/><author><name>Mare Iru</name></author></entry>
<entry><title>c</title><id>https://bog.example/c</id><updated>2026-01-01T00:00:00Z</updated></entry>
<entry><title>none</title><link rel="enclosure" href="x.mp3"/><id>urn:uuid:1</id></entry></feed>`),
  ).toEqual([
    {
      title: "a <b>",
      address: "https://bog.example/a",
      tags: "Peat wet,dams",
      by: ["Ona Weld"],
      at: "2026-03-09T10:00:00.000Z",
    },
    { title: "b", address: "https://fen.example/x/b", tags: "", by: ["Mare Iru"], at: undefined },
    {
      title: "c",
      address: "https://bog.example/c",
      tags: "",
      by: ["Ona Weld"],
      at: "2026-01-01T00:00:00.000Z",
    },
  ]);
});

test("RSS in each of its forms, Atom 0.3, and an entry alone", () => {
  expect(
    read(`<rss version="2.0" xmlns:dc="http://purl.org/dc/elements/1.1/"><channel><title>R</title><link>https://bog.example/</link>
<item><title>a</title><link>/a</link><author>ona@bog.example (Ona Weld)</author><category>wet</category><pubDate>Mon, 09 Mar 2026 10:00:00 GMT</pubDate></item>
<item><title>b</title><guid isPermaLink="false">https://bog.example/no</guid></item>
<item><title>c</title><guid>https://bog.example/c</guid><dc:creator>Mare Iru</dc:creator></item></channel></rss>`),
  ).toEqual([
    {
      title: "a",
      address: "https://bog.example/a",
      tags: "wet",
      by: ["Ona Weld"],
      at: "2026-03-09T10:00:00.000Z",
    },
    { title: "c", address: "https://bog.example/c", tags: "", by: ["Mare Iru"], at: undefined },
  ]);
  expect(
    read(
      `<rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#" xmlns="http://purl.org/rss/1.0/"><channel><title>D</title><link>https://bog.example/</link></channel><item><title>a</title><link>https://bog.example/a</link></item></rdf:RDF>`,
    ),
  ).toMatchObject([{ title: "a", address: "https://bog.example/a" }]);
  expect(
    read(
      `<feed version="0.3" xmlns="http://purl.org/atom/ns#"><entry><title>a</title><link rel="alternate" href="https://bog.example/a"/><issued>2004-05-06T07:08:09Z</issued></entry></feed>`,
    ),
  ).toMatchObject([{ at: "2004-05-06T07:08:09.000Z" }]);
  const alone = `<entry ${ATOM}><title>a</title><link href="https://bog.example/a"/></entry>`;
  expect(readAny("", alone).format).toBe("feed");
  expect(read(alone)).toMatchObject([{ title: "a", address: "https://bog.example/a" }]);
});

test("what is nested deeper than any feed is refused in words", () => {
  const deep = `<rss><channel><item><title>${"<b>".repeat(5_000)}`;
  expect(() => readAny("a.xml", deep)).toThrow(/nested deeper/);
  expect(readFeed("<html><body>no feed</body></html>")).toBeNull();
});

test("an episode without a page is its sound; a feed is of the web by whatever an old list calls it", () => {
  const item = (inside: string) =>
    readFeed(
      `<rss version="2.0"><channel><link>https://moor.example/</link><item><title>x</title>${inside}</item></channel></rss>`,
    )!.root.children[0];
  const sound = '<enclosure url="https://moor.example/a.mp3" type="audio/mpeg"/>';
  expect(item(`<guid isPermaLink="false">7</guid>${sound}`)).toMatchObject({
    address: "https://moor.example/a.mp3",
  });
  expect(item(`<link>https://moor.example/a</link>${sound}`)).toMatchObject({
    address: "https://moor.example/a",
  });
  const { root } = readOpml(
    '<opml><body><outline text="a" xmlUrl="feed://moor.example/rss"/><outline text="b" xmlUrl="feed:https://moor.example/b"/></body></opml>',
  );
  expect(root.children).toMatchObject([
    { address: "https://moor.example/rss" },
    { address: "https://moor.example/b" },
  ]);
});
