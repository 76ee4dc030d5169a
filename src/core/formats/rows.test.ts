import { unzipSync, strFromU8 } from "fflate";
import Papa from "papaparse";
import { expect, test } from "vitest";
import type { PublishedCollection, PublishedItem, PublishedTree } from "../publish/model";
import { writeCsv } from "./csv-write";
import { HEADS } from "./rows";
import type { ImportedFolder, ImportedLink } from "./imported";
import { readTable, tableToLinks } from "./table-read";
import { writeXlsx } from "./xlsx-write";

const item = (title: string, more: Partial<PublishedItem> = {}): PublishedItem => ({
  ...{
    id: title,
    kind: "page",
    heading: "",
    context: "Because",
    look: "item",
    title,
    description: "About it",
  },
  ...{
    address: "https://bog.example/?a=1&b=2",
    host: "bog.example",
    siteName: "Bog",
    authors: ["Ona Weld", "T. Lind"],
  },
  ...{
    published: "2026-03-09",
    minutes: 12,
    pages: null,
    tags: ["water", "dams"],
    picture: null,
    player: null,
  },
  ...{
    language: "en",
    quotation: null,
    copy: null,
    isPdf: false,
    file: null,
    addedAt: new Date(Date.UTC(2026, 4, 2, 9)),
  },
  ...more,
});
const tree = (title: string, items: PublishedItem[], inside: PublishedTree[] = []): PublishedTree => ({
  collection: {
    ...{
      id: title,
      title,
      description: "",
      rich: "",
      cover: null,
      teamName: "Lantern & Co",
      audience: "team",
    },
    ...{
      view: "rows",
      use: null,
      language: "",
      framedBy: "",
      createdAt: new Date(0),
      updatedAt: new Date(0),
    },
    ...{ inside: [], way: null, sections: [{ id: "s", title: "To begin", intro: "", items }] },
  } as PublishedCollection,
  inside,
});
const EVIL = [
  `=cmd|' /C calc'!A0`,
  "+1+1",
  "-2",
  "@SUM(A1)",
  `He said "no", and\nleft; ]]> <b>`,
  "\u0000\u0007x\uD800",
  "a".repeat(40_000),
];

test("as a table of text every row is whole, formulas are words, and Hobbin reads it back", () => {
  const text = writeCsv(
    tree(
      "Bogs",
      EVIL.map((title) => item(title)),
    ),
  );
  const { data } = Papa.parse<string[]>(text.replace("\uFEFF", "").trimEnd());
  expect(data[0]).toEqual([...HEADS]);
  expect(data).toHaveLength(EVIL.length + 1);
  for (const row of data) expect(row).toHaveLength(HEADS.length);
  for (const row of data.slice(1)) for (const cell of row) expect(cell).not.toMatch(/^[=+@\t\r]|^-(?!$)/);
  const read = readTable(text);
  expect(read.meanings.slice(0, 6)).toEqual(["nothing", "collection", "section", "title", "note", "address"]);
  const [bogs] = tableToLinks(read).root.children;
  const section = bogs as ImportedFolder;
  const links = (section.children[0] as ImportedFolder).children as ImportedLink[];
  expect(links.slice(0, 5).map((one) => one.title)).toEqual(EVIL.slice(0, 5));
  expect(links[0]).toMatchObject({ address: "https://bog.example/?a=1&b=2", tagText: "water, dams" });
});

test("as a workbook each collection is a sheet with a name it can have, dates are dates and addresses links", () => {
  const long = "A: title / with [signs] * that is longer than thirty-one letters";
  const bytes = writeXlsx(
    tree(
      long,
      [item("One"), ...EVIL.map((title) => item(title))],
      [tree(long, [item("Two")]), tree("???", [])],
    ),
  );
  expect(bytes).toEqual(
    writeXlsx(
      tree(
        long,
        [item("One"), ...EVIL.map((title) => item(title))],
        [tree(long, [item("Two")]), tree("???", [])],
      ),
    ),
  );
  const files = Object.fromEntries(
    Object.entries(unzipSync(bytes)).map(([name, one]) => [name, strFromU8(one)]),
  );
  expect([...files["xl/workbook.xml"]!.matchAll(/sheet name="([^"]*)"/g)].map((one) => one[1])).toEqual([
    "A title with signs that is long",
    "A title with signs that is (2)",
    "Collection",
  ]);
  const first = files["xl/worksheets/sheet1.xml"]!;
  expect(first).not.toContain("<f>");
  // 2026-03-09 is day 46090.
  expect(first).toContain(`<v>46090</v>`);
  expect(files["xl/worksheets/_rels/sheet1.xml.rels"]).toContain(
    `Target="https://bog.example/?a=1&#38;b=2" TargetMode="External"`,
  );
});
