import fc from "fast-check";
import { expect, test } from "vitest";
import { isSameTitle, likelyElsewhere, readSitemap, sitemapsOfRobots } from "./elsewhere";
import { byRule, housesMoved, ruleOf, writtenRule } from "./house";
import { asHttpDate, httpDate, linksOfHeader, mementoOf } from "./memento";

// https://www.sitemaps.org/protocol.html: the example of an index, and of a list with entities.
test("a sitemap names pages, an index of sitemaps more of them", () => {
  const index = `<?xml version="1.0" encoding="UTF-8"?>
    <sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">
      <sitemap><loc>http://www.example.com/sitemap1.xml.gz</loc><lastmod>2004-10-01T18:23:17+00:00</lastmod></sitemap>
      <sitemap><loc>http://www.example.com/sitemap2.xml.gz</loc></sitemap>
    </sitemapindex>`;
  expect(readSitemap(index)).toEqual({
    pages: [],
    more: ["http://www.example.com/sitemap1.xml.gz", "http://www.example.com/sitemap2.xml.gz"],
  });
  const list = `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9" xmlns:i="http://other.example/">
    <url><loc>http://www.example.com/catalog?item=12&amp;desc=vacation_hawaii</loc>
    <i:image><i:loc>http://www.example.com/picture.jpg</i:loc></i:image></url><url><loc>javascript:alert(1)</loc></url></urlset>`;
  expect(readSitemap(list)).toEqual({
    pages: ["http://www.example.com/catalog?item=12&desc=vacation_hawaii"],
    more: [],
  });
  expect(
    sitemapsOfRobots(
      "User-agent: *\nDisallow: /x\nSitemap: http://www.example.com/sitemap.xml\nsitemap:none",
    ),
  ).toEqual(["http://www.example.com/sitemap.xml"]);
});

test("where a page stands now is guessed by what addresses end with, and told by its title", () => {
  const page = { address: "https://bog.example/2019/how-peat-grows.html", title: "A millimetre a year" };
  const among = [
    "https://bog.example/",
    "https://bog.example/topics/how-peat-is-sold",
    "https://bog.example/topics/how-peat-grows",
    "https://bog.example/read/a-millimetre-a-year/",
    "not an address",
    page.address,
  ];
  expect(likelyElsewhere(page, among, 2)).toEqual([among[3], among[2]].sort());
  expect(likelyElsewhere(page, among.slice(0, 1), 2)).toEqual([]);
  expect(isSameTitle("How peat grows, year by year", "Year by year: how peat grows")).toBe(true);
  expect(isSameTitle("How peat grows", "How peat is sold")).toBe(false);
  expect(isSameTitle("How peat grows", "Heath Library | How peat grows")).toBe(true);
  expect(isSameTitle("Contact – Heath Library", "Contact – Bog Journal")).toBe(false);
  expect(isSameTitle("", "")).toBe(false);
});

test("a site that moved house is known by two pages that moved alike; one alone is a page that moved", () => {
  const moved = ["how-it-grows", "wells/seven", "wells/eight"].map((path) => ({
    was: `http://heath.example/peat/${path}`,
    is: `https://library.example/heath/peat/${path}`,
  }));
  expect(housesMoved(moved)).toEqual([
    { from: "http://heath.example/", to: "https://library.example/heath/", seen: 3 },
  ]);
  expect(housesMoved(moved.slice(1, 2))).toEqual([]);
  // Other names of the ends are no rule, and neither is the scheme alone.
  expect(ruleOf("http://heath.example/?id=3", "https://heath.example/pages/3")).toBeNull();
  expect(ruleOf("http://heath.example/a/b", "https://heath.example/a/b")).toBeNull();
  expect(ruleOf("http://heath.example/", "https://library.example/")).toBeNull();
});

test("a rule is written down with or without scheme and slashes, and leads to addresses either way", () => {
  const led = (from: string, to: string, address: string) => {
    const rule = writtenRule(from, to);
    return rule && byRule(rule, address);
  };
  for (const from of ["heath.example/peat/", " http://HEATH.example/peat/"])
    for (const to of ["library.example/heath", "https://library.example/heath/"])
      expect(led(from, to, "http://heath.example/peat/a?b=1")).toBe("https://library.example/heath/a?b=1");
  expect(led("heath.example", "library.example", "https://heath.example/a")).toBe(
    "https://library.example/a",
  );
  expect(led("heath.example/old", "library.example/new/", "https://heath.example/old/a")).toBe(
    "https://library.example/new/a",
  );
  // The name of a site that goes on is another site's.
  expect(led("heath.example", "library.example", "https://heath.example.org/a")).toBeNull();
  expect(writtenRule("http://", "library.example")).toBeNull();
});

test("a rule made of a pair leads from the one to the other, by http and https, and nowhere from outside of it", () => {
  const part = fc.stringMatching(/^[a-z][a-z0-9-]{0,6}$/);
  const path = fc.array(part, { minLength: 1, maxLength: 4 }).map((parts) => parts.join("/"));
  fc.assert(
    fc.property(part, part, path, path, (one, other, before, end) => {
      const [was, is] = [`http://${one}.example/${end}`, `https://${other}.example/${before}/${end}`];
      const rule = ruleOf(was, is);
      expect(rule && byRule(rule, was)).toBe(is);
      expect(rule && byRule(rule, was.replace("http:", "https:"))).toBe(is);
      expect(rule && byRule(rule, `http://x${one}.example/${end}`)).toBeNull();
    }),
  );
});

// The example of RFC 7089 for a TimeGate that leads to a memento (4.2), written down from memory.
test("a memento says when it was taken and of what", () => {
  const link = `<http://a.example.org/>; rel="original",
     <http://arxiv.example.net/timemap/http://a.example.org/>
       ; rel="timemap"; type="application/link-format"
       ; from="Tue, 15 Sep 2000 11:28:26 GMT"
       ; until="Wed, 20 Jan 2010 09:34:33 GMT",
     <http://arxiv.example.net/timegate/http://a.example.org/>; rel="timegate"`.replace(/\s*\n\s*/g, " ");
  const address = "http://arxiv.example.net/web/20010911203610/http://a.example.org/";
  const headers = { "memento-datetime": "Tue, 11 Sep 2001 20:36:10 GMT", link };
  expect(mementoOf("http://a.example.org/", { address, headers })).toEqual({
    ...{ address, at: new Date("2001-09-11T20:36:10Z") },
  });
  expect(linksOfHeader(link).map(({ rel }) => rel[0])).toEqual(["original", "timemap", "timegate"]);
  // Without its moment it is none; of another page it is not this one's.
  expect(mementoOf("http://a.example.org/", { address, headers: { link } })).toBeNull();
  expect(mementoOf("http://b.example.org/", { address, headers })).toBeNull();
});

test("the links of a header are read as they may be written, and a broken one ends them", () => {
  expect(
    linksOfHeader(
      '<http://a.example/>; rel="first memento"; datetime="x", <b>;REL=next;rel=prev, <c>; title="a, \\"b\\"; c"',
    ),
  ).toEqual([
    { address: "http://a.example/", rel: ["first", "memento"], datetime: "x" },
    { address: "b", rel: ["next"], datetime: null },
    { address: "c", rel: [], datetime: null },
  ]);
  expect(linksOfHeader("<a>; rel=x, what is this, <b>; rel=y").map((one) => one.address)).toEqual(["a"]);
  // Twice as long takes twice as long: it ends.
  expect(linksOfHeader(`<a>${"; x= ".repeat(50_000)}"`)).toEqual([]);
  expect(linksOfHeader(`<a>${'; x="\\'.repeat(50_000)}`)).toEqual([]);
});

test("an HTTP date is read back as it was written", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 4_000_000_000 }), (seconds) => {
      const at = new Date(seconds * 1_000);
      expect(httpDate(asHttpDate(at))).toEqual(at);
    }),
  );
  expect(httpDate("2001-09-11")).toBeNull();
});
