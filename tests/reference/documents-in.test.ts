import { strToU8, zipSync } from "fflate";
import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { bookOf } from "@/core/formats/office/epub";
import { officeHtml } from "@/core/formats/office/office-html";
import { clean, officeProperties } from "@/core/formats/office/properties";
import { Locked, officeKind } from "@/core/formats/office/unpack";
import { offeredLinks } from "@/core/imports/offered-links";
import { readDocument } from "@/outside/documents/read-document";

const FILES = "tests/reference/files";
const file = (name: string) => readFileSync(`${FILES}/${name}`);
const linksOf = (html: string) => offeredLinks(html).map(({ title, address }) => [title, address]);

/** Written by LibreOffice from what lies in tests/outside/sources: tests/outside/libreoffice.mjs. */
describe("documents somebody else's program wrote", () => {
  test.each([
    [
      "with-links.pptx",
      [
        ["map of the moor", "https://moor.example/map"],
        ["dams", "https://moor.example/dams?year=2019&part=2"],
      ],
    ],
    [
      "with-links.xlsx",
      [
        ["to the map", "https://moor.example/map"],
        ["to the dams", "https://moor.example/dams"],
      ],
    ],
    [
      "with-links.odt",
      [
        ["Wasserstand", "https://moor.example/wasser?a=1&b=2"],
        ["Karte", "https://moor.example/karte"],
      ],
    ],
  ])("%s: where its words lead, and what it says of itself", (name, links) => {
    const bytes = file(name);
    const kind = officeKind(bytes) as "pptx";
    expect(linksOf(officeHtml(bytes, kind).html)).toEqual(links);
    expect(officeProperties(bytes, kind)).toMatchObject({
      title: "Links of the station",
      authors: ["Rhea Tammik"],
    });
  });

  test("the language of an OpenDocument text is that of its words where none is named", () => {
    expect(officeProperties(file("with-links.odt"), "odt").language).toBe("de-AT");
  });
});

/** Made by pandoc 2.17 (Debian's), read in the order of its spine. */
test("a book: its chapters in their order, who wrote it, in which language; what leads from chapter to chapter is no link", () => {
  const book = bookOf(file("documents/book.epub"));
  expect(book.properties).toEqual({
    title: "The book",
    authors: ["Rhea Tammik", "Åsa Müller"],
    language: "sv",
  });
  expect(book.html.indexOf("One")).toBeLessThan(book.html.indexOf("Two"));
  expect(linksOf(book.html)).toEqual([["map", "https://bog.example/map"]]);
  expect(book.html).not.toContain("ch00");
});

/** Made by LibreOffice, Chromium (a page of one picture) and qpdf; read by poppler. */
test("a PDF: title, author and links; pages that are pictures and files with a password say so", async () => {
  const read = await readDocument(file("documents/with-links.pdf"), "l.pdf");
  // As LibreOffice wrote it into its catalog.
  expect(read.language).toBe("de-DE");
  expect(read).toMatchObject({ title: "The odt", authors: ["Rhea Tammik"], pages: 1, lacks: null });
  expect(linksOf(read.copy!.html)).toEqual([["", "https://bog.example/map?a=1&b=2"]]);
  expect(read.copy!.text).not.toContain("https:");
  expect(await readDocument(file("documents/scan.pdf"), "s.pdf")).toMatchObject({
    lacks: "scanned",
    copy: null,
    pages: 1,
  });
  expect(await readDocument(file("documents/locked.pdf"), "x.pdf")).toMatchObject({
    lacks: "locked",
    copy: null,
  });
});

test("what a program writes where nobody wrote anything is nobody's title, name or language", () => {
  expect(
    clean({
      title: "Microsoft Word - report.doc",
      authors: ["Administrator; Rhea Tammik"],
      language: "en_GB",
    }),
  ).toEqual({
    ...{ title: null, authors: ["Rhea Tammik"], language: "en-GB" },
  });
  expect(clean({ title: " Peat  and water ", authors: ["python-docx"], language: "x-none" })).toEqual({
    ...{ title: "Peat and water", authors: [], language: null },
  });
});

/** ISO/IEC 26300 part 2, 4.8.5; the W3C's encryption of EPUB (OCF); MS-OFFCRYPTO 2.3, by the name of its stream. */
test("what a password, or somebody's leave, is needed for says so", async () => {
  const packed = (files: Record<string, string>) =>
    zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));
  const text = "application/vnd.oasis.opendocument.text";
  const manifest = "<manifest:file-entry><manifest:encryption-data/></manifest:file-entry>";
  expect(() =>
    officeKind(packed({ mimetype: text, "content.xml": "x", "META-INF/manifest.xml": manifest })),
  ).toThrow(Locked);
  const book = (algorithm: string) =>
    packed({
      ...{ mimetype: "application/epub+zip", "META-INF/container.xml": "<container/>" },
      "META-INF/encryption.xml": `<EncryptionMethod Algorithm="${algorithm}"/>`,
    });
  expect(() => officeKind(book("http://www.w3.org/2001/04/xmlenc#aes128-cbc"))).toThrow(Locked);
  // Letters that are made unreadable for others keep nobody from the text.
  expect(officeKind(book("http://www.idpf.org/2008/embedding"))).toBe("epub");
  const head = Buffer.from("d0cf11e0a1b11ae1", "hex");
  const office = Buffer.concat([head, Buffer.alloc(600), Buffer.from("EncryptedPackage", "utf16le")]);
  expect((await readDocument(office, "x.docx")).lacks).toBe("locked");
});
