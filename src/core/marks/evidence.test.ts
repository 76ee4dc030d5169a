import { strFromU8, unzipSync } from "fflate";
import { Packer } from "docx";
import { expect, test } from "vitest";
import { evidenceSheets } from "../formats/evidence-sheets";
import { evidenceDocument } from "../formats/printed/evidence-docx";
import { writeWorkbook } from "../formats/xlsx-write";
import { evidenceTable, sayPassage } from "./evidence";
import type { MarkOut } from "./model";

const BOG = { id: "bog", title: "How a bog grows", address: "https://bog.example/grows", site: "Bog" };
const FEN = { id: "fen", title: "=What a fen is", address: "", site: "" };
const mark = (id: string, source: MarkOut["source"], rest: Partial<MarkOut>): MarkOut => ({
  ...{ id, source, quote: "", prefix: "", suffix: "", start: null, end: null, note: "", fragment: "" },
  ...{ meaning: null, by: "Ama", createdAt: "2026-03-09T10:00:00Z", updatedAt: "2026-03-09T10:00:00Z" },
  ...rest,
});
const MARKS = [
  mark("1", BOG, { quote: "a millimetre\n a year", meaning: "Number", note: "Where?" }),
  mark("2", FEN, { quote: "fed by groundwater", meaning: "Definition" }),
  mark("3", BOG, { quote: "only by rain", meaning: "Definition", fragment: "page=3" }),
  mark("4", BOG, { note: "To be read again" }),
];
const TABLE = evidenceTable(MARKS, ["Definition", "Doubt", "Number"]);

test("a row a source, a column a question that was answered, what means nothing in the last", () => {
  expect(TABLE.questions).toEqual(["Definition", "Number", "Just marked"]);
  expect(
    TABLE.rows.map(({ source, cells }) => [source.id, cells.map((some) => some.map(sayPassage))]),
  ).toEqual([
    ["bog", [["“only by rain” (page 3)"], ["“a millimetre a year”: Where?"], ["To be read again"]]],
    ["fen", [["“fed by groundwater”"], [], []]],
  ]);
});

test("as a workbook and as a document it has the same words, with the references of its sources", async () => {
  const references = [{ id: "bog", label: "", runs: [{ text: "Bog (2026): How a bog grows." }] }];
  const workbook = unzipSync(
    writeWorkbook(evidenceSheets(TABLE, references), { title: "Evidence", by: "Lantern" }),
  );
  const sheet = strFromU8(workbook["xl/worksheets/sheet1.xml"]!);
  const about = { title: "Evidence", team: "Lantern", language: "en", rightToLeft: false };
  const packed = await Packer.toBuffer(evidenceDocument(TABLE, references, about, "a4"));
  const document = strFromU8(unzipSync(new Uint8Array(packed))["word/document.xml"]!);
  for (const words of [
    "“only by rain” (page 3)",
    "=What a fen is",
    "Bog (2026): How a bog grows.",
    "Number",
  ]) {
    expect(sheet).toContain(words);
    expect(document).toContain(words);
  }
  // The head stands on every page, across which the table goes.
  expect(document).toContain("<w:tblHeader");
  expect(document).toContain('w:orient="landscape"');
});
