import fc from "fast-check";
import { Parser } from "commonmark";
import { strFromU8, unzipSync } from "fflate";
import Papa from "papaparse";
import { expect, test } from "vitest";
import type { Work } from "@/core/cite/csl-item";
import { readBookmarks } from "@/core/formats/bookmarks-read";
import { writeBookmarks } from "@/core/formats/bookmarks-write";
import { cartridgeOf } from "@/core/formats/cartridge";
import { writeCsv } from "@/core/formats/csv-write";
import type { ImportedFile, ImportedFolder } from "@/core/formats/imported";
import { writeLinkedData } from "@/core/formats/linked-data-write";
import { writeLinks } from "@/core/formats/links-write";
import { writeMarkdown } from "@/core/formats/markdown-write";
import { readOpml } from "@/core/formats/opml-read";
import { writeOpml } from "@/core/formats/opml-write";
import { asPrinted } from "@/core/formats/printed/model";
import { readReferences } from "@/core/formats/references-read";
import { folderOf } from "@/core/publish/folder";
import type { PublishedItem, PublishedTree } from "@/core/publish/model";
import {
  docxInThread,
  epubInThread,
  fileInThread,
  officeInThread,
  pdfInThread,
  referencesInThread,
} from "@/outside/threads/in-thread";

/** Words people type, paste, or send on purpose. */
const PIECES = [
  ...[
    "peat",
    "Moor & Mehr",
    "<b>bold</b>",
    "]]>",
    "</w:t>",
    "\\write18{id}",
    "$x^2$",
    '#read("/etc/passwd")',
  ],
  ...[
    "=cmd|' /C calc'!A0",
    "+1",
    "@import",
    "-- ",
    "{brace",
    "}",
    '"quoted"',
    "it’s",
    "a;b,c",
    "%00",
    "TY  - BOOK",
  ],
  ...[
    "المستنقع",
    "ירוק",
    "泥炭地",
    "🐦‍⬛",
    "👩🏽‍🌾",
    "e\u0301",
    "\u202Eturned",
    "\u200B",
    "\u0000",
    "\u0007",
    "\uFFFE",
  ],
  ...[
    "\uD800",
    "\uDFFF",
    "*_`#>",
    "[x](y)",
    "<!--",
    "-->",
    "&amp;",
    "&#0;",
    "\t",
    "\n",
    "x".repeat(500),
    "1. ",
    "@misc{a,",
  ],
];
const words = fc
  .array(fc.constantFrom(...PIECES), { minLength: 1, maxLength: 4 })
  .map((parts) => `W${parts.join(" ")}`);

/** What is to come back: without what no file can hold, and with single blanks. */
const bare = (text: string): string =>
  text
    .toWellFormed()
    .replace(/[\p{Cc}\s\uFFFD\uFFFE\u{FEFF}]+/gu, " ")
    .replace(/[\u200B\u202A-\u202E\u2066-\u2069]/g, "")
    .replace(/ +/g, " ")
    .trim();

const item = (title: string, i: number): PublishedItem => ({
  ...{ id: `i${i}`, kind: "page", heading: "", context: title, look: "item", title, description: title },
  ...{ address: `https://bog.example/${i}?a=1&b=%22`, host: "bog.example", siteName: title },
  ...{ authors: [], published: "2026-03-09", minutes: 5, pages: null, tags: [`tag ${i}`], picture: null },
  ...{ player: null, language: "en", quotation: null, copy: null, isPdf: false, file: null },
  addedAt: new Date(0),
});
const treeOf = (titles: readonly string[]): PublishedTree => ({
  collection: {
    ...{ id: "0199f3a0-0000-7000-8000-000000000001", title: titles[0]!, description: titles[0]!, rich: "" },
    ...{ cover: null, teamName: titles[0]!, audience: "team", view: "rows", use: null, language: "en" },
    ...{ framedBy: "", inside: [], way: null, createdAt: new Date(0), updatedAt: new Date(0) },
    sections: [{ id: "1", title: titles[0]!, intro: "", items: titles.map(item) }],
  },
  inside: [],
});
const linksIn = (file: ImportedFile): { title: string }[] => {
  const all = (folder: ImportedFolder): { title: string }[] =>
    folder.children.flatMap((one) => (one.type === "link" ? [one] : all(one)));
  return all(file.root);
};

/** Writes the titles in a format, and reads them as somebody else would. */
const THERE_AND_BACK: Record<string, (titles: readonly string[]) => Promise<string[]> | string[]> = {
  bookmarks: (titles) => linksIn(readBookmarks(writeBookmarks(treeOf(titles)))).map((one) => one.title),
  opml: (titles) => linksIn(readOpml(writeOpml(treeOf(titles)))).map((one) => one.title),
  csv: (titles) =>
    Papa.parse<string[]>(writeCsv(treeOf(titles)), { skipEmptyLines: true })
      .data.slice(1)
      // What looks like a formula is guarded by an apostrophe.
      .map((row) => row[4]!.replace(/^'/, "")),
  "json-ld": (titles) =>
    [...writeLinkedData(treeOf(titles)).matchAll(/"name": ?("(?:[^"\\]|\\.)*")/g)].map(
      (one) => JSON.parse(one[1]!) as string,
    ),
  links: (titles) => writeLinks(treeOf(titles)).split("\n"),
  markdown: (titles) => {
    const found: string[] = [];
    let open: string[] | null = null;
    const walker = new Parser().parse(writeMarkdown(treeOf(titles))).walker();
    for (let step = walker.next(); step; step = walker.next()) {
      if (step.node.type === "link") {
        if (step.entering) open = [];
        else found.push(open!.join(""));
      } else if (step.node.type === "text" && open) open.push(step.node.literal ?? "");
    }
    return found;
  },
  docx: async (titles) => {
    const made = await docxInThread({ printed: asPrinted(treeOf(titles)), paper: "a4", pictures: {} });
    if ("refused" in made) throw new Error(made.refused);
    return (await officeInThread(made.bytes))!.copy.text.split("\n");
  },
  xlsx: async (titles) => {
    const files = unzipSync(await fileInThread({ tree: treeOf(titles), format: "xlsx" }));
    const sheet = strFromU8(files["xl/worksheets/sheet1.xml"]!);
    return [...sheet.matchAll(/<t(?: [^>]*)?>([^<]*)<\/t>/g)].map((one) => unescaped(one[1]!));
  },
  epub: async (titles) => {
    const files = unzipSync(await epubInThread({ printed: asPrinted(treeOf(titles)), pictures: {} }));
    const chapter = Object.entries(files).find(([name]) => name.endsWith("part-0-0.xhtml"))![1];
    return [...strFromU8(chapter).matchAll(/<b><a [^>]*>([^<]*)<\/a><\/b>/g)].map((one) =>
      unescaped(one[1]!),
    );
  },
};
const unescaped = (text: string) =>
  text.replace(/&(?:#(\d+)|#x([\da-f]+)|(\w+));/gi, (_, ten, hex, name: string) =>
    name
      ? ({ lt: "<", gt: ">", amp: "&", quot: '"', apos: "'" }[name] ?? "?")
      : String.fromCodePoint(ten ? Number(ten) : parseInt(hex as string, 16)),
  );

test.each(Object.keys(THERE_AND_BACK))("whatever is in a title, %s gives it back", async (format) => {
  await fc.assert(
    fc.asyncProperty(fc.array(words, { minLength: 1, maxLength: 12 }), async (titles) => {
      const back = (await THERE_AND_BACK[format]!(titles)).map(bare);
      for (const title of titles) {
        const wanted = bare(title);
        expect(
          back.some((one) => one === wanted || one.endsWith(wanted)),
          wanted,
        ).toBe(true);
      }
    }),
    { numRuns: 15 },
  );
});

test.each(["ris", "bibtex", "csl-json"] as const)(
  "whatever is in a title, %s gives it back",
  async (format) => {
    const work = (title: string, i: number): Work => ({
      ...{
        id: `w${i}`,
        kind: "page",
        itemType: "webpage",
        title,
        authors: [`Weld${i}, Ona`],
        published: "2026",
      },
      ...{
        language: "en",
        address: `https://bog.example/${i}`,
        siteName: title,
        tags: [],
        context: title,
        details: {},
      },
    });
    await fc.assert(
      fc.asyncProperty(fc.array(words, { minLength: 1, maxLength: 12 }), async (titles) => {
        const file = await referencesInThread(titles.map(work), format);
        const back = linksIn(readReferences(file, format)).map((one) => bare(one.title));
        // Marks and entities are read as what they stand for in such lists.
        const read = (title: string) =>
          bare(
            title
              .replace(/<\/?b>/g, "")
              .replaceAll("&amp;", "&")
              .replaceAll("&#0;", ""),
          );
        expect(back).toEqual(titles.map(read));
      }),
      { numRuns: 15 },
    );
  },
);

test("whatever is in it, it is set on pages, and written as pages and units", async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(words, { minLength: 1, maxLength: 12 }), async (titles) => {
      const tree = treeOf(titles);
      const pdf = await pdfInThread({ printed: asPrinted(tree), paper: "a4", pictures: {}, fonts: [] });
      expect(pdf.subarray(0, 5).toString("latin1")).toBe("%PDF-");
      const { collection } = tree;
      const content = { form: 1 as const, collection: { ...collection, inside: [] } } as never;
      const pages = [
        ...folderOf(content, new Date(0), "shown", new Map(), { references: null }).pages,
        ...cartridgeOf(content).pages,
      ];
      for (const { text } of pages) {
        expect(text).not.toMatch(/<script>alert|<b>bold/);
      }
    }),
    { numRuns: 10 },
  );
});
