import Papa from "papaparse";
import { partialDate } from "../page/dates";
import { type ColumnMeaning, meaningOf } from "./table-heads";
import { bareLink, emptyFolder, type ImportedFile, type ImportedFolder, type PassedOver } from "./imported";

export type Table = {
  delimiter: string;
  columns: string[];
  /** All rows but the head. */
  rows: string[][];
  meanings: ColumnMeaning[];
};

/**
 * Reads a table of text. The separator is found from the text (comma, semicolon, tab or bar), quotes follow RFC 4180,
 * and each column's meaning is guessed from its head, or from its cells where there is no head.
 * @param text the text of the file, with its head if it has one
 */
export function readTable(text: string): Table {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, "").replace(/^sep=.\r?\n/i, ""), {
    skipEmptyLines: "greedy",
    delimitersToGuess: [",", ";", "\t", "|"],
  });
  return asTable(parsed.data, parsed.meta.delimiter);
}

/** Rows that are known already, as a table. */
export function asTable(all: string[][], delimiter = "\t"): Table {
  const first = all[0] ?? [];
  const headed =
    !first.some(isAddress) &&
    (first.some((cell) => meaningOf(cell) !== "nothing") ||
      all.slice(1, 50).some((row) => row.some(isAddress)));
  const rows = headed ? all.slice(1) : all;
  const width = Math.max(0, ...all.slice(0, 200).map((row) => row.length));
  const columns = Array.from({ length: width }, (_, i) => (headed && first[i]?.trim()) || `Column ${i + 1}`);
  const meanings = columns.map((name) => (headed ? meaningOf(name) : "nothing"));
  const once = new Set<ColumnMeaning>();
  for (const [i, meaning] of meanings.entries()) {
    if (meaning === "nothing") continue;
    if (once.has(meaning)) meanings[i] = "nothing";
    once.add(meaning);
  }
  if (!meanings.includes("address")) {
    const sample = rows.slice(0, 100);
    const share = (i: number) => sample.filter((row) => isAddress(row[i])).length;
    const best = columns.map((_, i) => i).sort((a, b) => share(b) - share(a))[0];
    if (best !== undefined && share(best) > 0) {
      meanings[best] = "address";
      const beside = columns.findIndex((_, i) => i !== best && meanings[i] === "nothing");
      if (!headed && beside >= 0 && !meanings.includes("title")) meanings[beside] = "title";
    }
  }
  return { delimiter, columns, rows, meanings };
}

const isAddress = (cell: string | undefined) => /^\s*(https?:\/\/|www\.)\S+\s*$/i.test(cell ?? "");
/**
 * The table as links. Collections are made in the order in which the column first names them, sections within; a path
 * such as "Course / Unit 1" becomes collections in one another.
 */
export function tableToLinks({ rows, meanings }: Pick<Table, "rows" | "meanings">): ImportedFile {
  const root = emptyFolder();
  const folders = new Map<string, ImportedFolder>();
  const cell = (row: string[], meaning: ColumnMeaning) => {
    const at = meanings.indexOf(meaning);
    return at < 0 ? "" : unescaped(row[at]?.trim() ?? "");
  };
  const within = (parent: ImportedFolder, key: string, title: string, section: boolean): ImportedFolder => {
    const there = folders.get(key);
    if (there) return there;
    const made = { ...emptyFolder(title), section };
    folders.set(key, made);
    parent.children.push(made);
    return made;
  };
  const passedOver: PassedOver[] = [];
  for (const row of rows) {
    const address = cell(row, "address");
    const title = cell(row, "title");
    if (!address && !title) {
      const text = row.filter((one) => one.trim()).join(" | ");
      if (text) passedOver.push({ text, why: "nameless" });
      continue;
    }
    let place = root;
    let key = "";
    for (const step of cell(row, "collection")
      .split(/\s*[/>\\]\s*/)
      .filter(Boolean)) {
      key += `/${step}`;
      place = within(place, key, step, false);
    }
    const section = cell(row, "section");
    if (section) place = within(place, `${key}#${section}`, section, true);
    const authors = cell(row, "author")
      .split(/\s*;\s*/)
      .filter(Boolean);
    place.children.push(
      bareLink(address, {
        title,
        context: cell(row, "note"),
        tagText: cell(row, "tags"),
        addedAt: time(cell(row, "date")),
        ...(authors.length && { reference: { type: null, fields: {}, authors } }),
      }),
    );
  }
  return { root, passedOver };
}

/** Spreadsheets are kept from taking text for a formula by an apostrophe in front; it is no part of the text. */
const unescaped = (text: string) => text.replace(/^'(?=[=+\-@])/, "");

/** ISO dates, dates in words, and seconds or milliseconds since 1970. */
function time(text: string): Date | null {
  if (/^\d{9,10}$/.test(text)) return new Date(+text * 1000);
  if (/^\d{12,13}$/.test(text)) return new Date(+text);
  const exact = /^\d{4}-\d{2}-\d{2}T/.test(text) ? Date.parse(text) : NaN;
  if (!Number.isNaN(exact)) return new Date(exact);
  const day = partialDate(text);
  return day?.length === 10 ? new Date(`${day}T00:00:00Z`) : null;
}
