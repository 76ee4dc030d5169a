import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { bibliography, plainBibliography } from "./bibliography";
import type { Work } from "./csl-item";
import { runsOf } from "./runs";
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
