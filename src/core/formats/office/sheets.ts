import { Parser } from "htmlparser2";
import { escape } from "../../publish/html";
import { linksOfPart, numbered } from "./relations";
import { type Unpacked, unpack } from "./unpack";

/** A cell: its words, and where it leads. */
type Cell = { text: string; href?: string };
export type Sheet = { title: string; rows: Cell[][] };

const MOST_ROWS = 500;
const MOST_CELLS = 40;

/**
 * The sheets of a workbook with the values and the links of their cells (ISO/IEC 29500: row, c, v, si, hyperlink).
 * @param bytes the whole file, within the bounds `officeKind` has seen to
 * @param most so many rows of a sheet are taken
 */
export function sheetsOf(bytes: Uint8Array, most = MOST_ROWS): Sheet[] {
  const wanted = /^xl\/(?:(?:sharedStrings|workbook)\.xml|worksheets\/(?:_rels\/)?sheet\d+\.xml(?:\.rels)?)$/;
  const parts = unpack(bytes, (name) => wanted.test(name));
  const shared = stringsOf(parts.read("xl/sharedStrings.xml"));
  const titles = titlesOf(parts);
  return numbered(parts, "xl/worksheets/sheet").map((name, i) => ({
    title: titles[i] ?? `Sheet ${i + 1}`,
    rows: rowsOf(parts.read(name), { shared, most, links: linksOfPart(parts, name) }),
  }));
}

/** The first rows of each sheet as a table. */
export function sheetsHtml(bytes: Uint8Array): { html: string; pages: number } {
  const sheets = sheetsOf(bytes);
  const html = sheets.map(
    ({ title, rows }) =>
      `<h2>${escape(title)}</h2><table><tbody>${rows.map((row) => `<tr>${row.map(cellHtml).join("")}</tr>`).join("")}</tbody></table>`,
  );
  return { html: html.join(""), pages: sheets.length };
}

const cellHtml = ({ text, href }: Cell): string =>
  `<td>${href ? `<a href="${escape(href)}">${escape(text || href)}</a>` : escape(text)}</td>`;

function titlesOf({ read }: Unpacked): string[] {
  const titles: string[] = [];
  const parser = new Parser(
    { onopentag: (name, at) => void (name === "sheet" && titles.push(at.name ?? "")) },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(read("xl/workbook.xml"));
  return titles;
}

/** The words cells share, by their number; how they are read aloud is none of them. */
function stringsOf(xml: string): string[] {
  const found: string[] = [];
  let text: string | null = null;
  let inWord = false;
  let aloud = 0;
  const parser = new Parser(
    {
      onopentag(name) {
        if (name === "si") text = "";
        else if (name === "rPh") aloud++;
        else if (name === "t") inWord = !aloud;
      },
      ontext(part) {
        if (inWord && text !== null) text += part;
      },
      onclosetag(name) {
        if (name === "t") inWord = false;
        else if (name === "rPh") aloud--;
        else if (name === "si" && text !== null) {
          found.push(text);
          text = null;
        }
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(xml);
  return found;
}

type From = { shared: readonly string[]; links: ReadonlyMap<string, string>; most: number };

function rowsOf(xml: string, { shared, links, most }: From): Cell[][] {
  const rows: Cell[][] = [];
  /** Cells by their names, as links name them behind all rows. */
  const named = new Map<string, Cell>();
  let row: Cell[] | null = null;
  let at: Record<string, string> = {};
  let column = 0;
  let value = "";
  let formula = "";
  let into: "value" | "formula" | null = null;
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (name === "row") row = rows.length < most ? [] : null;
        else if (name === "c") {
          at = attributes;
          column = columnOf(at.r) ?? row?.length ?? 0;
          [value, formula] = ["", ""];
        } else if (name === "v" || name === "t") into = "value";
        else if (name === "f") into = "formula";
        else if (name === "hyperlink") {
          const address = links.get(attributes["r:id"] ?? "");
          const cell = named.get(attributes.ref?.split(":")[0] ?? "");
          if (address && cell) cell.href ??= address;
        }
      },
      ontext(part) {
        if (into === "value") value += part;
        else if (into === "formula") formula += part;
      },
      onclosetag(name) {
        if (name === "v" || name === "t" || name === "f") into = null;
        else if (name === "c" && row && column < MOST_CELLS) {
          while (row.length < column) row.push({ text: "" });
          const cell: Cell = { text: at.t === "s" ? (shared[Number(value)] ?? "") : value };
          const href = /^\s*HYPERLINK\(\s*"(https?:\/\/[^"]+)"/i.exec(formula)?.[1];
          if (href) cell.href = href;
          row[column] = cell;
          if (at.r) named.set(at.r, cell);
        } else if (name === "row" && row?.length) rows.push(row);
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(xml);
  return rows;
}

/** "BC12" is column 54, counted from 0. */
function columnOf(reference: string | undefined): number | null {
  const letters = /^[A-Z]{1,3}/.exec(reference ?? "")?.[0];
  return letters ? [...letters].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0) - 1 : null;
}
