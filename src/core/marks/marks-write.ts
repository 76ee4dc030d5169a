import Papa from "papaparse";
import { passageAddress } from "../imports/quotation";
import { sayFragment } from "./fragments";
import type { MarkOut } from "./model";

/** What stands in Markdown as it is written, and means nothing there (CommonMark 0.31.2, 2.4). */
const escaped = (words: string): string => words.replace(/[\\`*_{}[\]<>#|~]/g, "\\$&");
const quoted = (words: string): string =>
  escaped(words)
    .split("\n")
    .filter((line) => line.trim())
    .map((line) => `> ${line.trim()}`)
    .join("\n>\n");

/** Marks as Markdown, under what they are on, each with its source. */
export function writeMarksMarkdown(title: string, marks: readonly MarkOut[]): string {
  const parts = [`# ${escaped(title)}`];
  let last = "";
  for (const mark of marks) {
    const { source } = mark;
    if (source.id !== last) {
      const of = source.site ? `, ${escaped(source.site)}` : "";
      parts.push(
        `## ${source.address ? `[${escaped(source.title)}](<${source.address.replace(/[<>]/g, encodeURIComponent)}>)` : escaped(source.title)}${of}`,
      );
      last = source.id;
    }
    if (mark.quote) parts.push(quoted(mark.quote));
    const said = [
      sayFragment(mark.fragment),
      mark.meaning && `**${escaped(mark.meaning)}**`,
      mark.note && escaped(mark.note),
    ].filter(Boolean);
    parts.push(
      `${said.length ? `${said.join(": ")} ` : ""}(${escaped(mark.by)}, ${mark.createdAt.slice(0, 10)})`,
    );
  }
  return `${parts.join("\n\n")}\n`;
}

/** The address by which a browser shows the very place. */
const passageOf = ({ source: { address }, quote, fragment }: MarkOut): string => {
  if (!address) return "";
  if (fragment) return `${address.replace(/#.*$/s, "")}#${fragment}`;
  return quote ? passageAddress(address, { exact: quote }) : "";
};

const HEADS = ["Quotation", "Note", "Meaning", "By", "On", "Title", "Address", "Passage"] as const;

/** Marks as a table of text (RFC 4180), a row a mark; nothing in it is a formula. */
export const writeMarksCsv = (marks: readonly MarkOut[]): string =>
  `\uFEFF${Papa.unparse(
    [
      [...HEADS],
      ...marks.map((mark) => [
        ...[mark.quote, mark.note, mark.meaning ?? "", mark.by, mark.createdAt.slice(0, 10)],
        ...[mark.source.title, mark.source.address],
        passageOf(mark),
      ]),
    ],
    { newline: "\r\n", escapeFormulae: true },
  )}\r\n`;
