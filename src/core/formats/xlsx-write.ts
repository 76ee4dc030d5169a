import { strToU8, zipSync, type Zippable } from "fflate";
import type { PublishedTree } from "../publish/model";
import { forXml } from "../text/for-xml";
import { type Cell, type Sheet, sheetsOf } from "./rows";

/** What a cell takes at most, in letters (Microsoft, Excel specifications and limits). */
const MOST_LETTERS = 32_767;
const MOST_LINKS = 65_000;
/** So wide each column is drawn, in letters; those that are not named are 14. */
const WIDTHS: Readonly<Record<string, number>> = {
  ...{ "No.": 5, Title: 40, Context: 50, Address: 40, "About it": 50, Quotation: 40, Minutes: 9, Pages: 8 },
};
const XML = `<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n`;
const MAIN = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
const RELATIONS = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
const PACKAGE = "http://schemas.openxmlformats.org/package/2006";
/** Numbers of the looks in `STYLES`. */
const LOOK = { plain: 0, head: 1, date: 2, link: 3 } as const;

const escape = (text: string): string =>
  forXml(text)
    .slice(0, MOST_LETTERS)
    .replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/**
 * A collection with everything inside as a workbook (ECMA-376, SpreadsheetML): a sheet a collection, a row an item, dates as
 * dates, addresses as links. Words are words, whatever they begin with: nothing in it is a formula.
 */
export const writeXlsx = (tree: PublishedTree): Uint8Array =>
  writeWorkbook(sheetsOf(tree), { title: tree.collection.title, by: tree.collection.teamName });

/** Some sheets as a workbook. @param about what it is called, and of whom it is */
export function writeWorkbook(sheets: readonly Sheet[], about: { title: string; by: string }): Uint8Array {
  const names = sheetNames(sheets);
  const files: Record<string, string> = {
    "[Content_Types].xml": `<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/styles.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.styles+xml"/><Override PartName="/docProps/core.xml" ContentType="application/vnd.openxmlformats-package.core-properties+xml"/>${sheets.map((_, i) => `<Override PartName="/xl/worksheets/sheet${i + 1}.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/>`).join("")}</Types>`,
    "_rels/.rels": relationships([
      ["rId1", `${RELATIONS}/officeDocument`, "xl/workbook.xml"],
      ["rId2", `${PACKAGE}/relationships/metadata/core-properties`, "docProps/core.xml"],
    ]),
    "docProps/core.xml": `<cp:coreProperties xmlns:cp="${PACKAGE}/metadata/core-properties" xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>${escape(about.title)}</dc:title><dc:creator>${escape(about.by)}</dc:creator></cp:coreProperties>`,
    "xl/workbook.xml": `<workbook xmlns="${MAIN}" xmlns:r="${RELATIONS}"><sheets>${names.map((name, i) => `<sheet name="${escape(name)}" sheetId="${i + 1}" r:id="rId${i + 1}"/>`).join("")}</sheets></workbook>`,
    "xl/_rels/workbook.xml.rels": relationships([
      ...sheets.map((_, i): Relation => [
        `rId${i + 1}`,
        `${RELATIONS}/worksheet`,
        `worksheets/sheet${i + 1}.xml`,
      ]),
      [`rId${sheets.length + 1}`, `${RELATIONS}/styles`, "styles.xml"],
    ]),
    "xl/styles.xml": STYLES,
  };
  sheets.forEach((sheet, i) => {
    const { xml, links } = sheetXml(sheet);
    files[`xl/worksheets/sheet${i + 1}.xml`] = xml;
    if (links.length)
      files[`xl/worksheets/_rels/sheet${i + 1}.xml.rels`] = relationships(
        links.map(({ address }, n): Relation => [
          `rId${n + 1}`,
          `${RELATIONS}/hyperlink`,
          address,
          "External",
        ]),
      );
  });
  // The same content has the same bytes: the hour it was packed is not in it.
  const zip: Zippable = Object.fromEntries(
    Object.entries(files).map(([name, text]) => [
      name,
      [strToU8(XML + text), { mtime: new Date(1980, 0, 1) }],
    ]),
  );
  return zipSync(zip, { level: 6 });
}

type Relation = [id: string, type: string, target: string, mode?: "External"];
const relationships = (all: readonly Relation[]): string =>
  `<Relationships xmlns="${PACKAGE}/relationships">${all
    .map(
      ([id, type, target, mode]) =>
        `<Relationship Id="${id}" Type="${type}" Target="${escape(target)}"${mode ? ` TargetMode="${mode}"` : ""}/>`,
    )
    .join("")}</Relationships>`;

const STYLES = `<styleSheet xmlns="${MAIN}"><numFmts count="1"><numFmt numFmtId="164" formatCode="yyyy\\-mm\\-dd"/></numFmts><fonts count="3"><font><sz val="11"/><name val="Calibri"/></font><font><b/><sz val="11"/><name val="Calibri"/></font><font><u/><sz val="11"/><color rgb="FF0B5563"/><name val="Calibri"/></font></fonts><fills count="2"><fill><patternFill patternType="none"/></fill><fill><patternFill patternType="gray125"/></fill></fills><borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs><cellXfs count="4"><xf applyAlignment="1"><alignment vertical="top" wrapText="1"/></xf><xf fontId="1" applyFont="1"/><xf numFmtId="164" applyNumberFormat="1" applyAlignment="1"><alignment vertical="top"/></xf><xf fontId="2" applyFont="1" applyAlignment="1"><alignment vertical="top"/></xf></cellXfs><cellStyles count="1"><cellStyle name="Normal" xfId="0" builtinId="0"/></cellStyles></styleSheet>`;

/** A, B, … Z, AA */
const columnName = (n: number): string =>
  (n >= 26 ? columnName(Math.floor(n / 26) - 1) : "") + String.fromCharCode(65 + (n % 26));

/** Days since the beginning of 1900, as workbooks count them (ECMA-376, 18.17.4.1), with the day that never was. */
const serial = (date: Date): number => Math.floor(date.getTime() / 86_400_000) + 25_569;

function sheetXml({ heads, rows, widths }: Sheet): { xml: string; links: { at: string; address: string }[] } {
  const links: { at: string; address: string }[] = [];
  const words = (at: string, text: string, look: number) =>
    `<c r="${at}" s="${look}" t="inlineStr"><is><t xml:space="preserve">${escape(text)}</t></is></c>`;
  const cell = (value: Cell, at: string): string => {
    if (value === null || value === "") return "";
    if (typeof value === "number") return `<c r="${at}" s="${LOOK.plain}"><v>${value}</v></c>`;
    if (value instanceof Date) return `<c r="${at}" s="${LOOK.date}"><v>${serial(value)}</v></c>`;
    if (typeof value === "string") return words(at, value, LOOK.plain);
    const leads = /^https?:\/\//i.test(value.address) && links.length < MOST_LINKS;
    if (leads) links.push({ at, address: value.address });
    return words(at, value.address, leads ? LOOK.link : LOOK.plain);
  };
  const head = heads.map((name, i) => words(`${columnName(i)}1`, name, LOOK.head)).join("");
  const body = rows
    .map(
      (row, r) =>
        `<row r="${r + 2}">${row.map((value, c) => cell(value, columnName(c) + (r + 2))).join("")}</row>`,
    )
    .join("");
  const last = `${columnName(heads.length - 1)}${rows.length + 1}`;
  const columns = heads
    .map(
      (name, i) =>
        `<col min="${i + 1}" max="${i + 1}" width="${widths?.[i] ?? WIDTHS[name] ?? 14}" customWidth="1"/>`,
    )
    .join("");
  const xml = `<worksheet xmlns="${MAIN}" xmlns:r="${RELATIONS}"><sheetViews><sheetView workbookViewId="0"><pane ySplit="1" topLeftCell="A2" activePane="bottomLeft" state="frozen"/></sheetView></sheetViews><cols>${columns}</cols><sheetData><row r="1">${head}</row>${body}</sheetData><autoFilter ref="A1:${last}"/>${links.length ? `<hyperlinks>${links.map(({ at }, n) => `<hyperlink ref="${at}" r:id="rId${n + 1}"/>`).join("")}</hyperlinks>` : ""}</worksheet>`;
  return { xml, links };
}

/** Names as sheets can have them: 31 letters, none of `[]:*?/\`, no two alike whatever the size of their letters. */
function sheetNames(sheets: readonly Sheet[]): string[] {
  const taken = new Set<string>();
  const times = new Map<string, number>();
  return sheets.map(({ title }) => {
    const plain =
      title
        .replace(/[[\]:*?/\\\p{Cc}]+/gu, " ")
        .replace(/\s+/g, " ")
        .replace(/^[\s']+|[\s']+$/g, "") || "Collection";
    const key = plain.toLowerCase();
    for (let n = (times.get(key) ?? 0) + 1; ; n++) {
      times.set(key, n);
      const end = n === 1 ? "" : ` (${n})`;
      // Letters that take two places are not cut in half.
      const name =
        plain
          .slice(0, 31 - end.length)
          .replace(/[\uD800-\uDBFF]$/, "")
          .trimEnd() + end;
      if (taken.has(name.toLowerCase())) continue;
      taken.add(name.toLowerCase());
      return name;
    }
  });
}
