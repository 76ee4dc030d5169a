import { addressOfFile } from "@/core/address/read-address";
import { atMost, type Brought, type BroughtLine, layOut } from "@/core/imports/brought";
import { type Foreign, foreignFrom, LONGEST_FOREIGN } from "@/core/formats/foreign-references";
import { tableOfHtml } from "@/core/formats/html-table";
import { officeHtml } from "@/core/formats/office/office-html";
import { sheetsOf } from "@/core/formats/office/sheets";
import { Locked, officeKind, type OfficeKind } from "@/core/formats/office/unpack";
import { outlineHtml } from "@/core/imports/outline-html";
import { decodeText, readAny } from "@/core/imports/read-any";
import type { Format } from "@/core/imports/read-any-words";
import { type ColumnMeaning } from "@/core/formats/table-heads";
import { asTable, type Table, tableToLinks } from "@/core/formats/table-read";

/** What the page asks of the worker: a file's bytes, or text and rich text from the clipboard. */
export type ReadRequest = {
  name: string;
  bytes?: ArrayBuffer;
  text?: string;
  html?: string;
  /** Whether the text is that of a file. */
  isFile?: boolean;
  /** Of a table: what its columns mean, when the person has changed it. */
  meanings?: ColumnMeaning[];
};
export type AddressSaid = "right" | "wrong" | "again";
export type ReadAnswer =
  | {
      ok: true;
      format: Format;
      brought: Brought;
      table: { columns: string[]; meanings: ColumnMeaning[]; sample: string[][] } | null;
      /** By line: whether its address is one, and that of a line before it. */
      said: AddressSaid[];
      /** What looked like links and is none. */
      malformed: string[];
    }
  | { ok: false; detail: string }
  /** The server makes a list of it that is read here. */
  | { ok: false; convert: Foreign; text: string }
  /** It is none of a list: it is kept as a file, and read as one. */
  | { ok: false; document: true };

self.onmessage = async ({ data }: MessageEvent<ReadRequest>) => {
  const answer = await read(data).catch((error: unknown): ReadAnswer => ({
    ok: false,
    detail: error instanceof Error ? error.message : "This file cannot be read.",
  }));
  self.postMessage(answer);
};

async function read(raw: ReadRequest): Promise<ReadAnswer> {
  if (raw.bytes && startsWith(raw.bytes, "%PDF-")) return { ok: false, document: true };
  const asked = decoded(raw);
  const foreign = foreignIn(asked);
  if (foreign) return { ok: false, ...foreign };
  const reading = await readWhole(asked);
  const { file, format, table, malformed } = reading;
  const meanings = table ? (asked.meanings ?? table.meanings) : [];
  const whole = layOut(table ? tableToLinks({ rows: table.rows, meanings }) : file, bareName(asked.name));
  const brought = asked.bytes || asked.isFile ? whole : atMost(whole, MOST_PASTED);
  return {
    ok: true,
    format,
    brought,
    table: table ? { columns: table.columns, meanings, sample: table.rows.slice(0, 4) } : null,
    said: saidOf(brought.lines),
    malformed,
  };
}

const startsWith = (bytes: ArrayBuffer, sign: string): boolean =>
  String.fromCharCode(...new Uint8Array(bytes.slice(0, sign.length))) === sign;

/** The same with its text in place of bytes, unless it is packed. */
function decoded(asked: ReadRequest): ReadRequest {
  if (!asked.bytes) return asked;
  const bytes = new Uint8Array(asked.bytes);
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) return asked;
  return { ...asked, bytes: undefined, text: decodeText(bytes), isFile: true };
}

/** A list that another program has to read first. */
function foreignIn({ text = "" }: ReadRequest): { convert: Foreign; text: string } | null {
  const convert = foreignFrom(text);
  if (convert && text.length > LONGEST_FOREIGN)
    throw new Error("This list is longer than can be read at once. Export it in parts, or as RIS or BibTeX.");
  return convert && { convert, text };
}

/** What is right, by line. */
function saidOf(lines: readonly BroughtLine[]): AddressSaid[] {
  const seen = new Set<string>();
  return lines.map((line) => {
    if (!line.address) return line.note || line.reference ? "right" : "wrong";
    const read = addressOfFile(line.address);
    if (!read.ok) return "wrong";
    if (seen.has(read.address)) return "again";
    seen.add(read.address);
    return "right";
  });
}

/** So many links of one paste: more is a file, or a slip. */
const MOST_PASTED = 5_000;

async function readWhole({ name, bytes, text = "", html, isFile }: ReadRequest) {
  if (bytes) return readDocument(name, bytes);
  if (isFile) return readAny(name, text);
  const plain = readAny("", text);
  if (!html || plain.format !== "text") return plain;
  const rows = tableOfHtml(html);
  const table = rows && asTable(rows);
  if (table?.meanings.includes("address"))
    return { format: "table" as const, file: tableToLinks(table), malformed: [], table };
  const rich = outlineHtml(html);
  // Some programs put markup on the clipboard that has lost the links of the text beside it.
  const links = (file: { children: unknown[] }) =>
    JSON.stringify(file.children).split('"type":"link"').length;
  return links(rich.root) >= links(plain.file.root)
    ? { format: "html" as const, file: rich, malformed: rich.malformed, table: undefined }
    : plain;
}

/** Of a packed document the links; of a workbook its rows, where one of its columns holds addresses. */
async function readDocument(name: string, bytes: ArrayBuffer) {
  const kind = kindIn(bytes);
  if (kind === "xlsx") {
    const table = tableOfBook(new Uint8Array(bytes));
    if (table) return { format: "table" as const, file: tableToLinks(table), malformed: [], table };
  }
  const html = kind === "docx" ? await wordHtml(bytes) : officeHtml(new Uint8Array(bytes), kind).html;
  const found = outlineHtml(html);
  return { format: "html" as const, file: found, malformed: found.malformed, table: undefined };
}

function kindIn(bytes: ArrayBuffer): OfficeKind {
  try {
    return officeKind(new Uint8Array(bytes));
  } catch (error) {
    throw new Error(
      error instanceof Locked
        ? "This file is locked by a password. Save it without one and bring it in again."
        : "This packed file is broken, or none that can be read for links: documents, slides, workbooks, books.",
    );
  }
}

async function wordHtml(bytes: ArrayBuffer): Promise<string> {
  const { default: mammoth } = await import("mammoth");
  return mammoth
    .convertToHtml({ arrayBuffer: bytes })
    .then((done) => done.value)
    .catch(() => Promise.reject(new Error("This document is broken, or not one of a word processor.")));
}

/** So many rows of a workbook are taken. */
const MOST_ROWS = 50_000;

/** The first sheet of a workbook in which a column holds addresses; a cell that leads somewhere is where it leads. */
function tableOfBook(bytes: Uint8Array): Table | null {
  for (const { rows } of sheetsOf(bytes, MOST_ROWS)) {
    const wide = Math.max(...rows.map((row) => row.length), 0);
    if (rows.length < 2 || !wide) continue;
    const texts = rows.map((row) => Array.from({ length: wide }, (_, i) => row[i]?.text ?? ""));
    const plain = asTable(texts);
    if (plain.meanings.includes("address")) return plain;
    const linked = rows.map((row) => row.find((cell) => cell.href)?.href ?? "");
    if (!linked.some(Boolean)) continue;
    // Words that lead somewhere: the address is a column of its own, the words are its title.
    return asTable(texts.map((row, i) => [...row, i ? linked[i]! : linked[0] || "Link"]));
  }
  return null;
}

const bareName = (name: string) => name.replace(/\.[a-z0-9]{1,5}$/i, "").trim();
