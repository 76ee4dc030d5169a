import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { Packer } from "docx";
import { beforeAll, expect, test } from "vitest";
import { COURSE, PICTURE } from "../../../../tests/outside/sources/course";
import { germanTemplate } from "../../../../tests/outside/sources/german-template";
import { docxDocument } from "./docx-document";
import { intoTemplate, TemplateRefused } from "./into-template";
import { asPrinted } from "./model";

let ours: Uint8Array;
beforeAll(async () => {
  const jpeg = Uint8Array.of(0xff, 0xd8, 0xff, 0xd9);
  ours = new Uint8Array(await Packer.toBuffer(docxDocument(asPrinted(COURSE), "a4", { [PICTURE]: jpeg })));
});
const partsOf = (bytes: Uint8Array) =>
  new Map(Object.entries(unzipSync(bytes)).map(([name, content]) => [name, strFromU8(content)]));

test("the collection stands where the template says so, in the template's styles by their names, with its letterhead", () => {
  const parts = partsOf(intoTemplate(germanTemplate(), ours));
  const document = parts.get("word/document.xml")!;
  expect(document).toMatch(
    /Before it.*Peatland course.*At the bog.*Behind it.*<w:sectPr><w:headerReference/s,
  );
  expect(document).not.toContain("[coll");
  expect(document).toContain('<w:pStyle w:val="berschrift1"/>');
  expect(document).not.toMatch(/<w:pStyle w:val="Heading[12]"/);
  expect(parts.get("word/header1.xml")).toContain("Moor-Schule am Wald");
  // A style of the same id and another name is another style.
  const styles = parts.get("word/styles.xml")!;
  expect(styles).toContain('<w:name w:val="Quelle"/>');
  expect(styles).toMatch(/w:styleId="HobbinSource"[^>]*><w:name w:val="Source"\/>/);
  expect(document).toContain('<w:pStyle w:val="HobbinSource"/>');
  expect(styles).toContain('<w:color w:val="AA0000"/>');
  expect(styles.match(/w:val="heading 1"/g)).toHaveLength(1);
});

test("every id that is used is there once: links, pictures, numbers of lists", () => {
  const parts = partsOf(intoTemplate(germanTemplate(), ours));
  const document = parts.get("word/document.xml")!;
  const relations = parts.get("word/_rels/document.xml.rels")!;
  for (const [, id] of document.matchAll(/\br:(?:id|embed)="([^"]+)"/g))
    expect(relations.split(`Id="${id}"`), id).toHaveLength(2);
  for (const [, target] of relations.matchAll(/Target="(media\/[^"]+)"/g))
    expect(parts.has(`word/${target}`), target).toBe(true);
  const numbering = parts.get("word/numbering.xml")!;
  for (const [, id] of document.matchAll(/<w:numId w:val="(\d+)"/g))
    expect(numbering.split(`<w:num w:numId="${id}"`).length, id).toBe(2);
  for (const [, id] of numbering.matchAll(/<w:abstractNumId w:val="(\d+)"/g))
    expect(numbering.split(`<w:abstractNum w:abstractNumId="${id}"`).length, id).toBe(2);
  for (const [name, xml] of parts)
    for (const [, prefix] of xml.matchAll(/[\s<](\w+):\w+[\s=>/]/g))
      if (name.endsWith(".xml") && prefix !== "xmlns" && prefix !== "xml")
        expect(xml.includes(`xmlns:${prefix}="`), `${name} ${prefix}`).toBe(true);
  // What the template counted goes on counting so.
  expect(document).toMatch(/<w:numId w:val="1"\/><\/w:numPr><\/w:pPr><w:r><w:t>Before it/);
  const types = parts.get("[Content_Types].xml")!;
  expect(types).toContain("document.main+xml");
  expect(types).toContain('Extension="jpg"');
});

test("without a place of its own it stands at the end; nothing is fetched when the file is opened; the same makes the same bytes", () => {
  const made = intoTemplate(germanTemplate("nothing to fill"), ours);
  const parts = partsOf(made);
  expect(parts.get("word/document.xml")).toMatch(/nothing|to fill.*Behind it.*Peatland course.*<w:sectPr>/s);
  expect(parts.get("word/_rels/settings.xml.rels")).not.toContain("templates.example");
  expect(intoTemplate(germanTemplate("nothing to fill"), ours)).toEqual(made);
});

test.each([
  ["no ZIP", strToU8("hello"), /no document/],
  ["another ZIP", zipSync({ "a.txt": strToU8("a") }), /no document/],
  ["cut off", germanTemplate().slice(0, 900), /no document|damaged/],
  ["programs", zipSync({ ...unzipSync(germanTemplate()), "word/vbaProject.bin": strToU8("x") }), /programs/],
  [
    "built to be large",
    zipSync({ ...unzipSync(germanTemplate()), "word/x.xml": new Uint8Array(70_000_000) }),
    /damaged/,
  ],
  ["no text", zipSync({ ...unzipSync(germanTemplate()), "word/document.xml": strToU8("<a/>") }), /no text/],
])("a file that is no template is refused in words: %s", (_, bytes, words) => {
  expect(() => intoTemplate(bytes, ours)).toThrow(TemplateRefused);
  expect(() => intoTemplate(bytes, ours)).toThrow(words);
});
