import { readFileSync } from "node:fs";
import fc from "fast-check";
import { expect, test } from "vitest";
import { arranged, htmlBibliography, textBibliography } from "./arranged";
import { bibliography, plainBibliography } from "./bibliography";
import { citation, type LocatorLabel } from "./citation";
import type { Work } from "./csl-item";
import { lackOf } from "./lack-of";
import { plainRuns, runsOf } from "./runs";
import { localeFor, STYLES } from "./styles";

const files = (style: string, language = "en") => ({
  style: readFileSync(`assets/csl/styles/${style}.csl`, "utf8"),
  locale: localeFor(language),
  localeXml: (name: string) => {
    try {
      return readFileSync(`assets/csl/locales/locales-${name}.xml`, "utf8");
    } catch {
      return readFileSync("assets/csl/locales/locales-en-US.xml", "utf8");
    }
  },
});
const work = (id: string, more: Partial<Work>): Work => ({
  ...{
    id,
    kind: "page",
    itemType: "webpage",
    title: "A title",
    authors: [],
    published: null,
    language: null,
  },
  ...{ address: "", siteName: "", tags: [], context: "", details: {} },
  ...more,
});
const said = (works: Work[], style: string, language?: string) =>
  plainBibliography(bibliography(works, files(style, language)));

const BOOK = work("b", {
  itemType: "book",
  title: "The peat and the water",
  authors: ["Weld, Ona"],
  published: "2019",
  details: { publisher: "Fen Press", "publisher-place": "Tartu" },
});
const PAGE = work("p", {
  title: "A year at the east dam",
  authors: ["Tomas Lind"],
  published: "2025-10-02",
  siteName: "Standing Water",
  address: "https://standing-water.example/dam?a=1&b=2",
});

test("the same works in two styles, each in its own order and words", () => {
  expect(said([BOOK, PAGE], "apa")).toBe(
    "Lind, T. (2025, October 2). A year at the east dam. Standing Water. https://standing-water.example/dam?a=1&b=2\n" +
      "Weld, O. (2019). The peat and the water. Fen Press.",
  );
  expect(said([BOOK, PAGE], "ieee")).toBe(
    "[1] O. Weld, The peat and the water. Tartu: Fen Press, 2019.\n" +
      "[2] T. Lind, “A year at the east dam,” Standing Water, Oct. 02, 2025. https://standing-water.example/dam?a=1&b=2",
  );
  // The bibliography of a German course is German.
  expect(said([PAGE], "chicago-author-date", "de-AT")).toContain("2. Oktober 2025");
});

test("what is known is set in italics, addresses are links, and nothing else of what anybody wrote is believed", () => {
  const [book] = bibliography([BOOK], files("apa"));
  expect(book!.runs.find((run) => run.italic)?.text).toBe("The peat and the water");
  const evil = `<script>alert(1)</script> "x" onmouseover=y & <b>bold</b>`;
  const [hostile] = bibliography(
    [work("e", { title: evil, authors: [evil], address: `https://bog.example/"><script>alert(2)</script>` })],
    files("apa"),
  );
  const text = hostile!.runs.map((run) => run.text).join("");
  expect(text).toContain("alert(1)");
  for (const run of hostile!.runs) {
    expect(
      Object.keys(run).every((key) => ["text", "italic", "bold", "small", "raised", "address"].includes(key)),
    );
    if (run.address) expect(run.address).toMatch(/^https?:\/\/[^\s<>"]+$/);
  }
  expect(
    runsOf(
      `<div class="csl-entry"><div class="csl-left-margin">[1]</div><div class="csl-right-inline">A <i>b</i> &lt;c&gt;.</div></div>`,
    ),
  ).toEqual({
    label: "[1]",
    runs: [{ text: "A " }, { text: "b", italic: true }, { text: " <c>." }],
  });
});

test.each(STYLES)("%s comes with Hobbin, says who wrote it, and sets every work", (id) => {
  const { style } = files(id);
  expect(style).toMatch(/<rights[^>]*>.*creativecommons|<rights[^>]*license=/s);
  expect(style).toContain("<author>");
  const entries = bibliography([BOOK, PAGE, work("n", {})], files(id));
  expect(entries).toHaveLength(3);
  for (const { runs } of entries) expect(runs.map((run) => run.text).join("").length).toBeGreaterThan(4);
});

test("a work is cited in the text with the page or the second that is meant", () => {
  const inText = (style: string, at: [string, string] | null, language?: string) =>
    plainRuns(
      citation(
        [BOOK, PAGE].slice(0, 1),
        at && { label: at[0] as LocatorLabel, at: at[1] },
        files(style, language),
      ),
    );
  // APA 7th edition, 8.13 and 8.28: (Author, year, p. n), and a time stamp for what is heard or seen; from memory.
  expect(inText("apa", ["page", "14"])).toBe("(Weld, 2019, p. 14)");
  expect(inText("apa", ["page", "14–16"])).toBe("(Weld, 2019, pp. 14–16)");
  expect(inText("apa", ["timestamp", "2:05"])).toBe("(Weld, 2019, 2:05)");
  expect(inText("apa", null)).toBe("(Weld, 2019)");
  // MLA 9th edition, 6.3: author and page alone; IEEE: a number in brackets; both from memory.
  expect(inText("modern-language-association", ["page", "14"])).toBe("(Weld 14)");
  expect(inText("ieee", ["page", "14"])).toBe("[1, p. 14]");
  expect(inText("turabian-fullnote-bibliography", ["page", "14"])).toBe(
    "Ona Weld, The Peat and the Water (Tartu: Fen Press, 2019), 14.",
  );
});

test("laid out by section, in its own order, with its context lines; nothing in it is markup but ours", () => {
  const works = [
    { ...PAGE, section: "Week 1", context: "Because <b> & so" },
    { ...BOOK, section: "To begin", context: "" },
  ];
  const references = bibliography(works, files("apa"));
  const groups = arranged(references, works, { order: "own", by: "section", context: true });
  expect(groups.map((one) => [one.title, one.entries.map((each) => each.id)])).toEqual([
    ["Week 1", ["p"]],
    ["To begin", ["b"]],
  ]);
  expect(htmlBibliography(groups)).toContain("<blockquote><p>Because &lt;b&gt; &amp; so</p></blockquote>");
  expect(textBibliography(groups)).toMatch(
    /^Week 1\nLind, T\..*\n {4}Because <b> & so\n\nTo begin\nWeld, O\./,
  );
  const plain = arranged(references, works, { order: "style", by: "none", context: false });
  expect(plain.map((one) => one.entries.map((each) => each.id))).toEqual([["p", "b"]]);
  expect(
    arranged(references, works, { order: "own", by: "kind", context: false }).map((one) => one.title),
  ).toEqual(["Page"]);
});

test("what a reference is poor without is named by the kind of work; a site stands for its publisher", () => {
  const lacks = (more: Partial<Work>) => lackOf(work("x", more)).map((one) => one.field);
  expect(lacks({ itemType: "article-journal", authors: ["A"], siteName: "A Journal" })).toEqual([
    "published",
    "volume",
    "page",
  ]);
  expect(lacks({ itemType: null, kind: "video", published: "2026" })).toEqual(["director"]);
  expect(lacks({ itemType: null, kind: "video", published: "2026", authors: ["A"] })).toEqual([]);
  expect(lacks({ address: "https://bog.example", authors: ["A"], published: "2026" })).toEqual([]);
});

test("what was cited before leaves nothing behind: an engine that is used again says what a new one does", () => {
  const pool = [BOOK, PAGE].flatMap((one) =>
    ["Weld, Ona", "Weld, Otto", "Lind, Tomas"].flatMap((author) =>
      ["2019", "2020"].map((published) => ({
        ...{ ...one, id: `${one.id} ${author} ${published}`, authors: [author], published },
        title: `${one.title} ${published.slice(3)}`,
      })),
    ),
  );
  const styles = ["apa", "ieee", "chicago-author-date", "modern-language-association"];
  let fresh = 0;
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.subarray(pool, { minLength: 1 }), fc.constantFrom(...styles)), { maxLength: 6 }),
      (asked) => {
        for (const [works, style] of asked) {
          const used = files(style);
          // Another text, and so an engine of its own.
          const own = { ...used, style: `${used.style}<!-- ${fresh++} -->` };
          expect(bibliography(works, used)).toEqual(bibliography(works, own));
          expect(citation(works, null, used)).toEqual(citation(works, null, own));
        }
      },
    ),
    { numRuns: 6 },
  );
});
