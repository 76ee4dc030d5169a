import { describe, expect, test } from "vitest";
import { durationSeconds, partialDate } from "@/core/page/dates";
import { withOembed } from "@/core/page/oembed";
import { readPage } from "@/core/page/read-page";

const read = (head: string, body = "<p>Text.</p>") =>
  readPage(
    `<!doctype html><html lang="en"><head>${head}</head><body>${body}</body></html>`,
    "https://www.site.example/page",
  );

/** The examples below follow the documents named; wording from memory where it is not code. */
describe("metadata", () => {
  test("the Open Graph protocol, https://ogp.me, “Basic Metadata” and “Structured Properties”", () => {
    const facts = read(`<title>The Rock (1996)</title>
<meta property="og:title" content="The Rock" /><meta property="og:type" content="video.movie" />
<meta property="og:url" content="https://www.site.example/title/tt0117500/" />
<meta property="og:image" content="https://example.com/ogp.jpg" /><meta property="og:image:secure_url" content="https://secure.example.com/ogp.jpg" />
<meta property="og:video" content="https://example.com/movie.swf" /><meta property="og:video:type" content="application/x-shockwave-flash" />`);
    expect(facts).toMatchObject({
      title: "The Rock",
      kind: "video",
      canonical: "https://www.site.example/title/tt0117500/",
      player: null,
    });
    expect(facts.pictures).toContain("https://example.com/ogp.jpg");
  });

  test("schema.org, https://schema.org/VideoObject and /ScholarlyArticle as JSON-LD", () => {
    expect(
      read(`<script type="application/ld+json">{"@context":"https://schema.org","@type":"VideoObject","name":"Foobar walks over a zebra","description":"…","thumbnailUrl":["/a.jpg"],
"uploadDate":"2024-03-31T08:00:00+08:00","duration":"PT1M54S","contentUrl":"https://media.example.com/video/123/file.mp4","embedUrl":"https://www.example.com/embed/123"}</script>`),
    ).toMatchObject({
      kind: "video",
      title: "Foobar walks over a zebra",
      published: "2024-03-31",
      seconds: 114,
      player: { type: "file", address: "https://media.example.com/video/123/file.mp4" },
    });
    expect(
      read(`<script type="application/ld+json">{"@context":"https://schema.org","@graph":[{"@type":"WebSite","name":"Not this"},{"@type":"ScholarlyArticle","name":"Be Careful What You Wish For: FRBR, Some Lacunae, A Review",
"author":[{"@type":"Person","givenName":"Richard P.","familyName":"Smiraglia"}],"isPartOf":{"@type":"Periodical","name":"Cataloging Quarterly"},"datePublished":"2012"}]}</script>`),
    ).toMatchObject({
      title: "Be Careful What You Wish For: FRBR, Some Lacunae, A Review",
      authors: ["Richard P. Smiraglia"],
      siteName: "Cataloging Quarterly",
      published: "2012",
    });
  });

  test("Dublin Core in HTML, https://www.dublincore.org/specifications/dublin-core/dc-html/", () => {
    expect(
      read(`<link rel="schema.DC" href="http://purl.org/dc/elements/1.1/" /><link rel="schema.DCTERMS" href="http://purl.org/dc/terms/" />
<meta name="DC.title" lang="en" content="Services to Government" /><meta name="DCTERMS.created" scheme="DCTERMS.W3CDTF" content="2007-07-22" /><meta name="DC.creator" content="A. Person" /><meta name="DC.creator" content="B. Person" />`),
    ).toMatchObject({
      title: "Services to Government",
      published: "2007-07-22",
      authors: ["A. Person", "B. Person"],
    });
  });

  test("Highwire tags, as the inclusion guidelines for scholarly search engines give them", () => {
    expect(
      read(`<meta name="citation_title" content="The testis isoform of the phosphorylase kinase catalytic subunit (PhK-T) plays a critical role"><meta name="citation_author" content="Liu, Li">
<meta name="citation_author" content="Rannels, Stephen R."><meta name="citation_publication_date" content="1996/05/17"><meta name="citation_journal_title" content="Journal of Biological Chemistry">`),
    ).toMatchObject({
      authors: ["Li Liu", "Stephen R. Rannels"],
      published: "1996-05-17",
      siteName: "Journal of Biological Chemistry",
    });
  });

  test("oEmbed, https://oembed.com, §2.3.4.2 and the example of a video answer", () => {
    const answer = {
      version: "1.0",
      type: "video",
      provider_name: "Player",
      width: 425,
      height: 344,
      title: "Amazing Nintendo Facts",
      author_name: "ZackScott",
      html: '<object width="425"><iframe src="https://player.example/v/M3r2XDceM6A?fs=1"></iframe><script>alert(1)</script></object>',
    };
    const facts = withOembed(read("", "<p>Text.</p>"), answer, "https://player.example/watch");
    expect(facts).toMatchObject({
      kind: "video",
      title: "Amazing Nintendo Facts",
      authors: ["ZackScott"],
      player: { type: "frame", address: "https://player.example/v/M3r2XDceM6A?fs=1" },
    });
  });

  test("the order of trust: citation tags, JSON-LD, Open Graph, Dublin Core, plain", () => {
    const sources = [
      `<meta name="citation_title" content="1">`,
      `<script type="application/ld+json">{"@type":"Article","headline":"2"}</script>`,
      `<meta property="og:title" content="3">`,
      `<meta name="DC.title" content="4">`,
      `<title>5</title>`,
    ];
    expect(sources.map((_, i) => read(sources.slice(i).reverse().join("")).title)).toEqual([
      "1",
      "2",
      "3",
      "4",
      "5",
    ]);
  });

  test("hostile pages: scripts as addresses, a foreign canonical, markup in titles, broken blocks, deep nesting", () => {
    const facts =
      read(`<title>&lt;script&gt;alert(1)&lt;/script&gt;</title><link rel="canonical" href="https://evil.example/page"><meta property="og:image" content="javascript:alert(1)">
<meta property="og:video" content="data:text/html,x"><script type="application/ld+json">{"@type":"Article","headline":{"a":1},"author":[null,1,{"name":["x"]}],"image":{"url":5}}</script><script type="application/ld+json">[[[[[[[[[[{"@type":"Article"`);
    expect(facts).toMatchObject({
      title: "<script>alert(1)</script>",
      canonical: null,
      pictures: [],
      player: null,
      kind: "page",
    });
  });

  test.each(["<div>", "<meta name=x content=y>"])(
    "of 200,000 %s each costs what each of 50,000 costs",
    (one) => {
      const took = (count: number) => {
        const page = one.repeat(count) + "x";
        const from = performance.now();
        readPage(page, "https://site.example/");
        return performance.now() - from;
      };
      took(1_000);
      // In proportion it is four times as much, with the square of it sixteen. Of several pairs the best counts: whatever else the
      // machine does meanwhile makes either of them slower, and never quicker.
      const pairs = Array.from({ length: 5 }, () => took(200_000) / Math.max(took(50_000), 5));
      expect(Math.min(...pairs)).toBeLessThan(9);
    },
  );
});

/** ISO 8601 and RFC 5322 §3.3; the impossible dates are ours. */
test("dates are as precise as their source", () => {
  const cases = {
    "2026-03-09T10:00:00+02:00": "2026-03-09",
    "2026/3/9": "2026-03-09",
    "2026-03": "2026-03",
    "1911": "1911",
    "20260309": "2026-03-09",
    "Fri, 21 Nov 1997 09:55:06 -0600": "1997-11-21",
    "9 March 2026": "2026-03-09",
    "2026-02-30": null,
    "13/45": null,
    soon: null,
  };
  for (const [text, date] of Object.entries(cases)) expect(partialDate(text), text).toBe(date);
  expect([
    durationSeconds("PT1M54S"),
    durationSeconds("P1DT2H"),
    durationSeconds("90"),
    durationSeconds("PT"),
    durationSeconds("long"),
  ]).toEqual([114, 93_600, 90, null, null]);
});

test("a page says its licence: schema.org of its own matter, rel=license, Dublin Core, the only one it leads to", () => {
  const of = (html: string) => readPage(html, "https://bog.example/a").licence;
  const by = "https://creativecommons.org/licenses/by/4.0/";
  // The HTML Standard, 4.6.7.9: https://html.spec.whatwg.org/multipage/links.html#link-type-license
  expect(of(`<p>Text under <a rel="license noopener" href="${by}deed.de">this</a>`)).toBe("CC-BY-4.0");
  expect(
    of(`<link rel="license" href="https://spdx.org/licenses/MIT.html"><a rel=license href="${by}">`),
  ).toBe("MIT");
  expect(
    of(
      `<script type="application/ld+json">{"@type":"Article","license":"https://creativecommons.org/publicdomain/zero/1.0/"}</script><a rel=license href="${by}">x</a>`,
    ),
  ).toBe("CC0-1.0");
  expect(of(`<meta name="dc.rights" content="Creative Commons Attribution-ShareAlike 3.0">`)).toBe(
    "CC-BY-SA-3.0",
  );
  // What a picture in it is under is not what it is under, when there are several.
  expect(of(`<a href="${by}">a</a>`)).toBe("CC-BY-4.0");
  expect(
    of(`<a href="${by}">a</a><a href="https://creativecommons.org/licenses/by-nd/4.0/">b</a>`),
  ).toBeNull();
  expect(of(`<p>© 2026, all rights reserved</p>`)).toBeNull();
});
