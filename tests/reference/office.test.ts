import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { officeHtml } from "@/core/formats/office/office-html";
import { officeKind } from "@/core/formats/office/unpack";
import { plainText } from "@/core/text/plain";
import { said } from "../outside/said/libreoffice.json";

const wordsOf = (text: string) => text.match(/[^\s•]+/g) ?? [];

/** What LibreOffice said of its own files and of pandoc's: tests/outside/libreoffice.mjs, recorded with its date. */
const files = Object.entries(said).filter(([name]) => !name.endsWith(".docx"));
test.each(files)("%s: the words that stand in it are those LibreOffice sees, in its order", (name, lines) => {
  const bytes = readFileSync(`tests/reference/files/${name}`);
  const kind = officeKind(bytes);
  expect(name.endsWith(`.${kind}`)).toBe(true);
  const { html } = officeHtml(bytes, kind as Exclude<typeof kind, "docx">);
  // Pages and sheets are told apart by headings, which LibreOffice does not print.
  const own = wordsOf(plainText(/^(odt)$/.test(kind) ? html : html.replace(/<h2>.*?<\/h2>/g, "")));
  // A date stands in a sheet as the number of its day: ECMA-376 part 1, §18.17.4.1.
  const dates = (word: string) => (/^\d{5}$/.test(word) ? dayOf(Number(word)) : word);
  expect(own.map(dates)).toEqual(lines.flatMap(wordsOf));
});

/** The day of a number in a sheet, which counts from the last day of 1899. */
const dayOf = (days: number) =>
  new Date(Date.UTC(1899, 11, 30) + days * 86_400_000).toISOString().slice(0, 10);
