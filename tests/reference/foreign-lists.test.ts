import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { foreignFrom, type Foreign } from "@/core/formats/foreign-references";
import { linksIn } from "@/core/formats/imported";
import { readReferences } from "@/core/formats/references-read";
import { referencesAsRis, TooMany } from "@/outside/documents/convert-references";

const file = (name: string) => readFileSync(`tests/reference/files/lists/${name}`, "utf8");
const read = async (from: Foreign, text: string) =>
  linksIn(readReferences(await referencesAsRis(from, text), "ris").root);
const essence = async (name: string) => {
  const text = file(name);
  const from = foreignFrom(text)!;
  return [
    from,
    ...(await read(from, text)).map(({ title, address, tagText, reference }) => ({
      ...{ title, address, tags: tagText, type: reference!.type, authors: reference!.authors },
      ...{ published: reference!.published, ...reference!.fields },
    })),
  ];
};
const ARTICLE = {
  ...{ type: "article-journal", "container-title": "Notes on Mires", volume: "12", issue: "3" },
  ...{ page: "101-118", DOI: "10.5555/mire.12.3" },
};

/** Written by hand after the tags EndNote exports ("Refer" format); read by Debian's bibutils 7.2, which is no code of ours. */
test("an EndNote list: its works, institutions whole, a DOI where it has one, pages of the web as such", async () => {
  expect(await essence("endnote.enw")).toMatchObject([
    "endnote",
    {
      ...ARTICLE,
      title: "The water table & its moss: “levels”",
      authors: ["Rhea Tammik", "Åsa Müller", "Peat Water Group"],
      published: "2019-03-09",
      address: "https://mires.example/12/3",
    },
    { title: "Dams", type: "chapter", "container-title": "The Book of Bogs", authors: ["Tomas Lind"] },
    { title: "The moor map", type: "webpage", address: "https://moor.example/map", published: "2020" },
  ]);
  expect(await essence("endnote.xml")).toMatchObject([
    "endnote-xml",
    { ...ARTICLE, title: "The water table", authors: ["Rhea Tammik", "Peat Water Group"] },
    { title: "The map", type: "webpage" },
    { title: "The program", type: "software" },
    { title: "The thesis", type: "thesis", publisher: "University of Moor" },
  ]);
});

/** Library of Congress, MODS 3; ISI's tags, from memory; the bibliography part of Office Open XML (ECMA-376, part 1, 22.6). */
test("a citation index's list, library records, a word processor's sources, medical articles", async () => {
  const [, isi] = await essence("isi.txt");
  expect(isi).toMatchObject({
    ...ARTICLE,
    "container-title": "NOTES ON MIRES",
    authors: ["Rhea Tammik", "Tomas Lind"],
  });
  expect(await essence("mods.xml")).toMatchObject([
    "mods",
    {
      title: "The water table: a study",
      type: "book",
      authors: ["Rhea Tammik", "Peat Water Group"],
      tags: "bog",
    },
    { title: "An article", DOI: "10.5555/a", authors: ["Tomas Lind"], page: "1-9" },
  ]);
  expect(() => foreignFrom(file("sources.xml"))).toThrow("word processor");
  expect(await essence("articles.xml")).toMatchObject([
    "pubmed",
    { title: "Ticks on the moor.", authors: ["Rhea Tammik"], "container-title": "Notes on Mires" },
  ]);
});

test("what is none of these is none; one that is broken ends in an error or nothing, and in time", async () => {
  for (const text of [
    "Plain text",
    "<html><mods>",
    "TY  - BOOK\nTI  - x\nER  - ",
    "100%0 sure\n%A b",
    "<rss></rss>",
  ])
    expect(foreignFrom(text)).toBeNull();
  expect(await read("mods", "<modsCollection><mods><titleInfo>").catch(() => [])).toEqual([]);
  expect(await read("endnote", "%0").catch(() => [])).toEqual([]);
  const many = "%0 Book\n%T Peat\n%A Lind, T\n\n".repeat(2_000);
  expect(await read("endnote", many)).toHaveLength(2_000);
});

test("so many at once wait for one another, and no more: who comes too late is told so", async () => {
  const all = await Promise.allSettled(
    Array.from({ length: 15 }, () => referencesAsRis("endnote", "%0 Book\n%T Peat\n")),
  );
  const late = all.filter((one) => one.status === "rejected");
  expect(late).toHaveLength(3);
  for (const one of late) expect(one.reason).toBeInstanceOf(TooMany);
  expect(await read("endnote", "%0 Book\n%T Peat\n")).toHaveLength(1);
});
