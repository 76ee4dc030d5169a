import Papa from "papaparse";
import type { PublishedTree } from "../publish/model";
import { type Cell, HEADS, sheetsOf } from "./rows";

/**
 * A collection with everything inside as one table of text (RFC 4180), a row an item. What a program of tables would take for
 * a formula has an apostrophe before it, as such programs have it themselves (OWASP, CSV Injection).
 */
export function writeCsv(tree: PublishedTree): string {
  const sheets = sheetsOf(tree);
  const rows = sheets.flatMap((sheet) => sheet.rows.map((row) => row.map(asText)));
  // The mark at the beginning tells such programs that the letters are UTF-8.
  return `\uFEFF${Papa.unparse([[...(sheets[0]?.heads ?? HEADS)], ...rows], {
    newline: "\r\n",
    escapeFormulae: true,
  })}\r\n`;
}

function asText(cell: Cell): string {
  if (cell === null) return "";
  if (cell instanceof Date) return cell.toISOString().slice(0, 10);
  return typeof cell === "object" ? cell.address : String(cell);
}
