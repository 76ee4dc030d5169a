import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { checkDoi, checkIsbn, checkIssn, formIsbn } from "@/core/cite/identifiers";
import { layOut } from "@/core/imports/brought";
import { readReferences, type ReferenceFormat } from "@/core/formats/references-read";
import type { Work } from "@/core/cite/csl-item";
import { writeReferences } from "@/core/formats/references-write";

/**
 * ISBN Users' Manual, 7th edition (2017), §5: 978-92-95055-02-5 is its own number. ISO 2108's older form: 0-306-40615-2, with
 * 0-8044-2957-X for the X. ISSN Manual: 0317-8471 and 2049-3630. DOI Handbook §2.2: 10.1000/182 and 10.1000/123456.
 * The numbers are from memory; their check digits are computed here by the rules of the manuals.
 */
describe("identifiers", () => {
  test.each([
    ["978-92-95055-02-5", null],
    ["9789295055025", null],
    ["0-306-40615-2", null],
    ["080442957X", null],
    ["ISBN 978 0 306 40615 7", null],
    ["978-92-95055-02-4", "The check digit should be 5."],
    ["0-306-40615-3", "The check digit should be 2."],
    ["97892950550", "An ISBN has 10 or 13 digits; this one has 11."],
    ["1234567890123", "An ISBN of 13 digits begins with 978 or 979."],
    ["", null],
  ])("ISBN %s", (typed, problem) => expect(checkIsbn(typed)).toBe(problem));
  test.each([
    ["0317-8471", null],
    ["2049-3630", null],
    ["ISSN 1050-124X", null],
    ["0317-8472", "The check digit should be 1."],
    ["0317-847", "An ISSN has 8 digits; this one has 7."],
  ])("ISSN %s", (typed, problem) => expect(checkIssn(typed)).toBe(problem));
  test.each([
    ["10.1000/182", null],
    ["doi:10.1000/123456", null],
    ["https://doi.org/10.1000/182", null],
    ["10.1002/(SICI)1097-0258(19980815)17:15/16<1661::AID-SIM968>3.0.CO;2-2", null],
    ["11.1000/182", "A DOI begins with 10., for example 10.5555/peat.3."],
    ["10.1000", "After 10. come at least three digits and a slash, for example 10.5555/peat.3."],
    ["10.1000/1 82", "After the slash the DOI goes on, without blanks."],
  ])("DOI %s", (typed, problem) => expect(checkDoi(typed)).toBe(problem));
  test("hyphens are put where the ranges of the ISBN agency say", () =>
    expect(formIsbn("9780306406157")).toBe("978-0-306-40615-7"));
});

/** Debian's bibutils, an independent reader and writer of the same formats. */
function bibutils(program: string, text: string, ending: string): string {
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), "hobbin-refs-")), `list.${ending}`);
  writeFileSync(file, text);
  return execFileSync(program, [file], { encoding: "utf8", stdio: ["ignore", "pipe", "ignore"] });
}
const lines = (text: string, format: ReferenceFormat) => layOut(readReferences(text, format), "list").lines;
const essence = (text: string, format: ReferenceFormat) =>
  lines(text, format).map(({ title, reference }) => ({
    title: title.replace(/[{}]/g, ""),
    authors: reference!.authors!.map((name) => name.split(" ").at(-1)),
    year: reference!.published?.slice(0, 4),
    journal: reference!.fields["container-title"],
    volume: reference!.fields.volume,
    page: reference!.fields.page?.replace(/–|--/, "-"),
  }));

const RIS = `TY  - JOUR
AU  - Okeri, Ama
AU  - Petrik, Jonas
TI  - Four springs at Lantern Moss
JO  - Annals of Bog Research
PY  - 2024/05/12
VL  - 12
IS  - 2
SP  - 41
EP  - 63
KW  - water table
KW  - moss
UR  - https://bog-journal.example/four-springs
DO  - 10.5555/peat.3
ER  - 

TY  - BOOK
AU  - Aldous, Mira
TI  - The wet and the dry
PY  - 1987
PB  - Heath Library Press
CY  - Heathby
SN  - 978-0-306-40615-7
ER  - 
`;
const BIBTEX = `@string{abr = "Annals of Bog Research"}
@article{okeri2024, author = {Okeri, Ama and Petrik, Jonas}, title = {Four springs at {Lantern Moss}}, journal = abr,
  year = 2024, month = may, volume = 12, number = {2}, pages = {41--63}, keywords = {water table, moss}, doi = {10.5555/peat.3}}
@comment{not this one}
@book{broken, title = {It never ends
@book{aldous1987, author = {Aldous, Mira}, title = {The wet and the dry}, publisher = {Heath Library Press}, year = 1987, note = {See p.~3, mail a@b.example}}
`;

test("RIS: what is read agrees with what bibutils makes of the same file", () => {
  const own = essence(RIS, "ris");
  expect(own[0]).toEqual({
    title: "Four springs at Lantern Moss",
    authors: ["Okeri", "Petrik"],
    year: "2024",
    journal: "Annals of Bog Research",
    volume: "12",
    page: "41-63",
  });
  const viaBibutils = essence(bibutils("xml2bib", bibutils("ris2xml", RIS, "ris"), "xml"), "bibtex");
  expect(viaBibutils).toEqual(own);
  const [first] = lines(RIS, "ris");
  expect(first).toMatchObject({
    tagText: "water table,moss",
    address: "https://bog-journal.example/four-springs",
    reference: {
      type: "article-journal",
      fields: { DOI: "10.5555/peat.3", issue: "2" },
      published: "2024-05-12",
    },
  });
});

test("BibTeX: strings, braces, comments; a broken entry does not take the others along; bibutils agrees", () => {
  const own = essence(BIBTEX, "bibtex");
  expect(own.map((one) => one.title)).toEqual(["Four springs at Lantern Moss", "The wet and the dry"]);
  expect(lines(BIBTEX, "bibtex")[0]!.tagText).toBe("water table, moss");
  const whole = BIBTEX.replace(/@book\{broken.*\n/, "");
  const viaBibutils = essence(bibutils("xml2ris", bibutils("bib2xml", whole, "bib"), "xml"), "ris");
  expect(viaBibutils).toEqual(own);
});

const WORK: Work = {
  id: "01a20a26-1466-726a-84ad-669446fdeebd",
  kind: "document",
  itemType: "article-journal",
  title: "Four springs at Lantern Moss & beyond",
  authors: ["Ama Okeri", "Petrik, Jonas"],
  published: "2024-05-12",
  language: "en",
  address: "https://bog-journal.example/four-springs",
  siteName: "Annals of Bog Research",
  tags: ["water table", "moss"],
  context: "Read this before the practical",
  details: {
    "container-title": "Annals of Bog Research",
    volume: "12",
    issue: "2",
    page: "41-63",
    DOI: "10.5555/peat.3",
  },
};

test.each(["ris", "bibtex"] as const)(
  "what is written as %s is read by bibutils, and back here, as the same",
  (format) => {
    const written = writeReferences(
      [
        WORK,
        {
          ...WORK,
          id: "01a20a26-1466-726a-84ad-669446fdeebe",
          title: "Another",
          itemType: "book",
          details: { publisher: "Heath Library Press" },
        },
      ],
      format,
    );
    const xml = bibutils(format === "ris" ? "ris2xml" : "bib2xml", written, format);
    for (const part of [
      "Four springs at Lantern Moss &amp; beyond",
      "Okeri",
      "Petrik",
      "2024",
      "10.5555/peat.3",
      "Another",
      "Heath Library Press",
    ])
      expect(xml).toContain(part);
    const [first] = lines(written, format);
    expect(first).toMatchObject({
      title: WORK.title,
      address: WORK.address,
      reference: {
        type: "article-journal",
        authors: ["Ama Okeri", "Jonas Petrik"],
        fields: { volume: "12", page: "41-63", DOI: "10.5555/peat.3" },
      },
    });
    expect(first!.reference!.published?.slice(0, 7)).toBe("2024-05");
  },
);

test("CSL-JSON written and read back is the same", () => {
  const [first] = lines(writeReferences([WORK], "csl-json"), "csl-json");
  expect(first).toMatchObject({
    title: WORK.title,
    tagText: "water table,moss",
    context: WORK.context,
    reference: { fields: WORK.details, published: "2024-05-12" },
  });
});
