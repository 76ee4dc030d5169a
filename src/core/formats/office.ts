import { Parser } from "htmlparser2";
import { escape } from "../publish/html";
import { unzipWithin } from "./unzip";

/** What a packed file may become when unpacked; beyond it is a bomb or nothing that is read here. */
const MOST_UNPACKED = 120_000_000;
const MOST_FILES = 20_000;

export type OfficeKind = "docx" | "xlsx" | "pptx" | "odt" | "ods" | "odp";

export class NotReadable extends Error {}

/** Unpacks what is wanted of a document. @throws {NotReadable} for bombs and broken archives */
function unpack(bytes: Uint8Array, wanted: (name: string) => boolean) {
  try {
    return unzipWithin(bytes, wanted, { bytes: MOST_UNPACKED, files: MOST_FILES });
  } catch (error) {
    throw new NotReadable((error as Error).message);
  }
}

/**
 * Looks into a packed document: which kind it is, and that it stays within bounds, whatever it says of itself.
 * @param bytes the whole file
 * @throws {NotReadable} for bombs, broken archives and archives that are no document
 */
export function officeKind(bytes: Uint8Array): OfficeKind {
  const { files, names } = unpack(bytes, (name) => name === "mimetype");
  if (names.has("word/document.xml")) return "docx";
  if (names.has("xl/workbook.xml")) return "xlsx";
  if (names.has("ppt/presentation.xml")) return "pptx";
  if (names.has("content.xml") && files.has("mimetype")) {
    const type = new TextDecoder().decode(files.get("mimetype"));
    if (type.endsWith(".text")) return "odt";
    if (type.endsWith(".spreadsheet")) return "ods";
    if (type.endsWith(".presentation")) return "odp";
  }
  throw new NotReadable("no document");
}

/**
 * The contents of a presentation, a spreadsheet or an OpenDocument file as plain HTML: headings, paragraphs, lists and
 * tables, without looks. Element names are those of ISO/IEC 29500 (a:t, a:p, c, v, si) and ISO/IEC 26300 (text:h, text:p).
 * @param bytes the whole file, within the bounds `officeKind` has seen to
 * @param kind as `officeKind` found it
 * @returns the HTML, and how many slides or sheets there are; null for texts, which have no pages of their own
 */
export function officeHtml(
  bytes: Uint8Array,
  kind: Exclude<OfficeKind, "docx">,
): { html: string; pages: number | null } {
  const wanted =
    /^(content\.xml|ppt\/slides\/slide\d+\.xml|xl\/(sharedStrings|workbook)\.xml|xl\/worksheets\/sheet\d+\.xml)$/;
  const { files } = unpack(bytes, (name) => wanted.test(name));
  const read = (name: string) => (files.has(name) ? new TextDecoder().decode(files.get(name)) : "");
  const numbered = (start: string) =>
    [...files.keys()].filter((name) => name.startsWith(start)).sort((a, b) => number(a) - number(b));
  if (kind === "pptx") {
    const slides = numbered("ppt/slides/");
    return {
      html: slides
        .map((name, i) => `<h2>Slide ${i + 1}</h2>${paragraphs(read(name), "a:p", "a:t")}`)
        .join(""),
      pages: slides.length,
    };
  }
  if (kind === "xlsx") {
    const shared = [...texts(read("xl/sharedStrings.xml"), "si", "t")];
    const titles = [...read("xl/workbook.xml").matchAll(/<sheet [^>]*name="([^"]*)"/g)].map(
      (found) => found[1]!,
    );
    const sheets = numbered("xl/worksheets/");
    return {
      // Names come out of XML, so they are escaped already.
      html: sheets
        .map((name, i) => `<h2>${titles[i] ?? `Sheet ${i + 1}`}</h2>${sheetTable(read(name), shared)}`)
        .join(""),
      pages: sheets.length,
    };
  }
  const html = openDocument(read("content.xml"));
  return { html, pages: kind === "odp" ? html.split("<h2>").length - 1 : null };
}

const number = (name: string) => Number(/(\d+)\.xml$/.exec(name)?.[1] ?? 0);

function paragraphs(xml: string, block: string, word: string): string {
  return [...texts(xml, block, word)]
    .filter(Boolean)
    .map((text) => `<p>${escape(text)}</p>`)
    .join("");
}

/** The words inside each `block` element, joined from its `word` elements. */
function texts(xml: string, block: string, word: string): string[] {
  const found: string[] = [];
  let text: string | null = null;
  let inWord = false;
  const parser = new Parser(
    {
      onopentag(name) {
        if (name === block) text = "";
        if (name === word) inWord = true;
      },
      ontext(part) {
        if (inWord && text !== null) text += part;
      },
      onclosetag(name) {
        if (name === word) inWord = false;
        if (name === block && text !== null) {
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

const MOST_ROWS = 500;
const MOST_CELLS = 40;

/** The first rows of a sheet as a table. */
function sheetTable(xml: string, shared: readonly string[]): string {
  const rows: string[][] = [];
  let row: string[] | null = null;
  let type = "";
  let column = 0;
  let value: string | null = null;
  const parser = new Parser(
    {
      onopentag(name, at) {
        if (name === "row") row = rows.length < MOST_ROWS ? [] : null;
        else if (name === "c") {
          type = at.t ?? "";
          column = columnOf(at.r) ?? row?.length ?? 0;
        } else if (name === "v" || name === "t") value = "";
      },
      ontext(part) {
        if (value !== null) value += part;
      },
      onclosetag(name) {
        if ((name === "v" || name === "t") && value !== null) {
          if (row && column < MOST_CELLS) {
            while (row.length < column) row.push("");
            row[column] = type === "s" ? (shared[Number(value)] ?? "") : value;
          }
          value = null;
        } else if (name === "row" && row?.length) rows.push(row);
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(xml);
  return `<table><tbody>${rows.map((cells) => `<tr>${cells.map((cell) => `<td>${escape(cell ?? "")}</td>`).join("")}</tr>`).join("")}</tbody></table>`;
}

/** "BC12" is column 54, counted from 0. */
function columnOf(reference: string | undefined): number | null {
  const letters = /^[A-Z]{1,3}/.exec(reference ?? "")?.[0];
  return letters ? [...letters].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0) - 1 : null;
}

const OPEN: Record<string, string> = {
  "text:list": "ul",
  "text:list-item": "li",
  "table:table": "table",
  "table:table-row": "tr",
  "table:table-cell": "td",
};
const MOST_LENGTH = 4_000_000;

function openDocument(xml: string): string {
  let html = "";
  let inBody = false;
  let silent = 0;
  const parser = new Parser(
    {
      onopentag(name, at) {
        if (name === "office:body") inBody = true;
        if (!inBody || html.length > MOST_LENGTH) return;
        if (name === "office:annotation" || name === "text:tracked-changes") silent++;
        if (silent) return;
        if (name === "draw:page") html += `<h2>${escape(at["draw:name"] ?? "Page")}</h2>`;
        else if (name === "text:h") html += `<h${level(at)}>`;
        else if (name === "text:p") html += "<p>";
        else if (name === "text:tab" || name === "text:s") html += " ";
        else if (name === "text:line-break") html += "<br>";
        else if (name === "text:a" && /^https?:/i.test(at["xlink:href"] ?? ""))
          html += `<a href="${escape(at["xlink:href"]!)}">`;
        else if (OPEN[name]) html += `<${OPEN[name]}>`;
        levels.push(name === "text:h" ? level(at) : 0);
        links.push(name === "text:a" && /^https?:/i.test(at["xlink:href"] ?? ""));
      },
      ontext(part) {
        if (inBody && !silent && html.length <= MOST_LENGTH && part.trim()) html += escape(part);
        else if (inBody && !silent && part && !html.endsWith(" ")) html += " ";
      },
      onclosetag(name) {
        if (name === "office:body") inBody = false;
        if (name === "office:annotation" || name === "text:tracked-changes") {
          silent = Math.max(0, silent - 1);
          return;
        }
        if (!inBody || silent || html.length > MOST_LENGTH) return;
        const depth = levels.pop() ?? 0;
        const link = links.pop();
        if (name === "text:h") html += `</h${depth}>`;
        else if (name === "text:p") html += "</p>";
        else if (name === "text:a" && link) html += "</a>";
        else if (OPEN[name]) html += `</${OPEN[name]}>`;
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  const levels: number[] = [];
  const links: boolean[] = [];
  parser.end(xml);
  return html;
}

const level = (at: Record<string, string>) =>
  Math.min(6, Math.max(2, Number(at["text:outline-level"] ?? 1) + 1));
