import { execFileSync } from "node:child_process";
import { describe, expect, test } from "vitest";
import { writeBookmarks } from "@/core/formats/bookmarks-write";
import { writeCsv } from "@/core/formats/csv-write";
import { writeReferences } from "@/core/formats/references-write";
import { layOut } from "@/core/imports/brought";
import { readAny } from "@/core/imports/read-any";
import { splitTags } from "@/core/imports/split-tags";
import { said } from "../outside/said/there-and-back.json";
import { COURSE } from "../outside/sources/course";
import { WORKS } from "../outside/sources/works";

/*
 * What Firefox, pandoc and LibreOffice gave out of what Hobbin had written, once and twice: tests/outside/there-and-back.mjs,
 * recorded with its date and their versions. Here it is read, and compared with what Hobbin reads of its own.
 */
type Said = keyof typeof said;
const read = (name: string, text: string) => layOut(readAny(name, text).file, "list");
const given = (name: string, who: Said) => read(name, said[who].join("\n"));

/** Where things stand, in which order, under which words. Firefox has no room for context lines. */
const standing = (brought: ReturnType<typeof read>) => {
  const pathOf = (place: number | null): string[] =>
    place === null ? [] : [...pathOf(brought.places[place]!.parent), brought.places[place]!.title];
  return brought.lines.map(({ address, title, tagText, addedAt, place }) => ({
    ...{ address, title, tags: splitTags(tagText, "comma"), addedAt },
    path: pathOf(place).filter((title) => title !== "Bookmarks Menu" && title !== "list"),
  }));
};

test.each(["bookmarks by Firefox, once", "bookmarks by Firefox, twice"] as const)(
  "%s: every folder, link, tag and time, in their order",
  (who) => {
    const own = standing(read("own.html", writeBookmarks(COURSE)));
    expect(own.length).toBeGreaterThan(4);
    expect(standing(given("bookmarks.html", who))).toEqual(own);
  },
);

describe("references through pandoc", () => {
  /**
   * pandoc sets English titles with capitals.
   * @param lost what pandoc has no room for: DOIs in BibTeX, the site of a page in BibLaTeX
   */
  const essence = (brought: ReturnType<typeof read>, lost: "DOI" | "site" | null) =>
    brought.lines
      .map(({ title, reference }) => ({
        title: title.toLowerCase(),
        authors: reference!.authors!.map((name) => name.toLowerCase()),
        year: reference!.published?.slice(0, 4) ?? null,
        in:
          lost === "site" && !reference!.fields.volume && reference!.type !== "chapter"
            ? null
            : reference!.fields["container-title"]?.toLowerCase(),
        ...{ volume: reference!.fields.volume, ISBN: reference!.fields.ISBN },
        DOI: lost === "DOI" ? null : reference!.fields.DOI,
      }))
      .toSorted((a, b) => a.title.localeCompare(b.title));
  test.each([
    ["works.json", "bibtex", "BibTeX by pandoc, once (CSL-JSON)", null],
    ["works.bib", "bibtex", "BibTeX by pandoc, twice (BibTeX)", "DOI"],
    ["works.bib", "csl-json", "CSL-JSON by pandoc, once (BibLaTeX)", "site"],
    ["works.json", "csl-json", "CSL-JSON by pandoc, twice (CSL-JSON)", "site"],
  ] as const)("%s of %s: %s", (name, format, who, lost) => {
    const own = read(`own.${format === "bibtex" ? "bib" : "json"}`, writeReferences(WORKS, format));
    const through = essence(given(name, who), lost);
    expect(through).toHaveLength(own.lines.length);
    expect(through).toEqual(essence(own, lost));
  });
});

/** Debian's bibutils, which is here with the tests. */
describe("references through bibutils", () => {
  const through = (program: string, text: string) =>
    execFileSync(program, ["-i", "unicode", "-o", "unicode"], {
      ...{ input: text, encoding: "utf8", stdio: ["pipe", "pipe", "ignore"] },
    });
  const names = (brought: ReturnType<typeof read>) =>
    brought.lines
      .map(({ title, reference }) => ({
        title,
        authors: reference!.authors!.map((name) => name.split(" ").at(-1)),
        year: reference!.published?.slice(0, 4) ?? null,
        ...{ volume: reference!.fields.volume, page: reference!.fields.page },
      }))
      .toSorted((a, b) => a.title.localeCompare(b.title));

  test("every work, once as RIS and twice as BibTeX", () => {
    const written = writeReferences(WORKS, "bibtex");
    const own = names(read("own.bib", written));
    const once = through("xml2ris", through("bib2xml", written));
    expect(names(read("once.ris", once))).toEqual(own);
    const twice = through("xml2bib", through("ris2xml", once));
    expect(names(read("twice.bib", twice))).toEqual(own);
  });
});

test.each(["CSV by LibreOffice, once", "CSV by LibreOffice, twice"] as const)(
  "%s: every row and every cell",
  (who) => expect(given("table.csv", who)).toEqual(read("own.csv", writeCsv(COURSE))),
);

test("a workbook by LibreOffice: the rows of its first sheet", () => {
  const own = read("own.csv", writeCsv({ ...COURSE, inside: [] }));
  expect(given("table.csv", "XLSX by LibreOffice, first sheet")).toEqual(own);
});
