import fc from "fast-check";
import { expect, test } from "vitest";
import { readAny } from "../imports/read-any";
import { bibtexEntries } from "./bibtex-entries";

const read = (name: string, text: string) => {
  const { file, format } = readAny(name, text);
  return { format, links: file.root.children.flatMap((one) => (one.type === "link" ? [one] : [])) };
};

test("a list is known by the ending of its name where a long comment stands first", () => {
  const { format, links } = read(
    "a.bib",
    `${"% a comment\n".repeat(900)}@book{a, title={Peat}, year={2019}}`,
  );
  expect([format, links[0]!.title]).toEqual(["bibtex", "Peat"]);
  expect(read("a.ris", `${"A heading\n".repeat(900)}TY  - BOOK\nTI  - Peat\nER  - `).links).toHaveLength(1);
  expect(() => read("a.json", '{"a": 1}')).toThrow(/nothing that can be read/);
});

test("what an entry has from another stands in it; abbreviations are written out; letters of TeX are letters", () => {
  const { links } = read(
    "a.bib",
    `@string{fen = {Fen Press}}
@string(long = "The " # fen)
@inproceedings{c, crossref={p}, title={A child}, author={Lind, Tomas and others}, pages={1--2}}
@proceedings{p, title={A parent}, year={2001}, publisher=fen}
@book{x, xdata={d}, title={X}, doi={https://doi.org/10.5555/x}, year={2019a}}
@xdata{d, publisher={Turf}}
@book{s, title = "A" # " {B}", publisher = long, month = jan, year = 1990}
@misc{t, title={{\\aa}ngstr{\\"o}m, \\enquote{quoted}, {\\'{\\i}}, \\LaTeX{} \\ss}, year={c. 1911}}`,
  );
  expect(links.map((one) => one.title)).toEqual([
    ...["A child", "A parent", "X", "A B", "ångström, “quoted”, í, LaTeX ß"],
  ]);
  expect(links[0]!.reference).toMatchObject({
    authors: ["Tomas Lind"],
    published: "2001",
    fields: { "container-title": "A parent", publisher: "Fen Press" },
  });
  expect(links[2]!.reference).toMatchObject({
    ...{ published: "2019", fields: { publisher: "Turf", DOI: "10.5555/x" } },
  });
  expect(links[3]!.reference).toMatchObject({ published: "1990-01", fields: { publisher: "The Fen Press" } });
  expect(links[4]!.reference!.published).toBe("1911");
});

test("a work without a title is named by what it stands in; every address is there", () => {
  const bib = read(
    "a.bib",
    `@article{n, journal={Notes on Mires}, volume={12}, number={3}, pages={101}}
@misc{u, title={Two}, url={https://a.example/1}, howpublished={\\url{https://a.example/2}}}`,
  ).links;
  expect(bib[0]!.title).toBe("Notes on Mires 12(3), 101");
  expect([bib[1]!.address, bib[1]!.context]).toEqual(["https://a.example/1", "Also at https://a.example/2"]);
  const ris = read(
    "a.ris",
    "TY  - JOUR\nTI  - One\nUR  - https://a.example/1\nUR  - https://a.example/2\nPY  - 2019//spring\nER  - \nTY  - XYZ\nTI  - Own\nPY  - 2020/03/09/\nER  - \nTY  - JOUR\nJO  - Notes\nVL  - 3\nER  - ",
  ).links;
  expect(ris.map((one) => [one.title, one.address, one.context, one.reference!.published])).toEqual([
    ["One", "https://a.example/1", "Also at https://a.example/2", "2019"],
    ["Own", "", "", "2020-03-09"],
    ["Notes 3", "", "", null],
  ]);
});

test("a language by whatever name; who edited a book; the day a page was seen", () => {
  const bib = read("a.bib", "@online{a, title={Peat}, langid={ngerman}, url={https://bog.example/}}").links;
  expect(bib[0]!.reference!.language).toBe("de");
  const ris = read(
    "a.ris",
    "TY  - CHAP\nTI  - Dams\nT2  - Bogs\nED  - Holm, Tansy\nED  - Peat Group\nLA  - eng\nER  - \nTY  - ELEC\nTI  - Site\nY2  - 2020/01/02\nER  - ",
  ).links;
  expect(ris.map((one) => one.reference)).toMatchObject([
    { language: "en", fields: { editor: "Tansy Holm; Peat Group", "container-title": "Bogs" } },
    { fields: { accessed: "2020-01-02" } },
  ]);
});

test("whatever stands in a file, it is cut at an end; two that name one another do not turn in a circle", () => {
  expect(bibtexEntries("@a{x, crossref={y}, title={1}}\n@a{y, crossref={x}, note={2}}")).toHaveLength(2);
  const piece = fc.constantFrom(
    "@book{a,",
    "@string{b=",
    "{",
    "}",
    '"',
    "title = ",
    "b",
    " # ",
    ",",
    "\\",
    "\n@",
    "(",
    ")",
  );
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 30 }), (parts) => {
      expect(Array.isArray(bibtexEntries(parts.join("")))).toBe(true);
    }),
  );
});
