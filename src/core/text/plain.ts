import { Parser } from "htmlparser2";

const BLOCKS = new Set([
  "p",
  "div",
  "br",
  "li",
  "tr",
  "h1",
  "h2",
  "h3",
  "h4",
  "h5",
  "h6",
  "blockquote",
  "pre",
  "section",
  "article",
  "dt",
  "dd",
]);
/** What ends a word without ending the line. */
const CELLS = new Set(["td", "th"]);
const SILENT = new Set(["script", "style", "template", "noscript"]);

/**
 * The words of a piece of HTML: tags fall away, blocks become lines, cells words of their own, blanks are folded.
 * @param html rich text that has been cleaned, or any other
 */
export function plainText(html: string): string {
  if (!/[<&]/.test(html)) return html.replace(/\s+/g, " ").trim();
  const parts: string[] = [];
  let silent = 0;
  const parser = new Parser(
    {
      onopentag(name) {
        if (SILENT.has(name)) silent++;
        if (BLOCKS.has(name)) parts.push("\n");
        else if (CELLS.has(name)) parts.push(" ");
      },
      ontext(text) {
        if (!silent) parts.push(text.replace(/\s+/g, " "));
      },
      onclosetag(name) {
        if (SILENT.has(name)) silent = Math.max(0, silent - 1);
        if (BLOCKS.has(name)) parts.push("\n");
      },
    },
    { decodeEntities: true },
  );
  parser.end(html);
  return parts
    .join("")
    .replace(/ {2,}/g, " ")
    .replace(/ ?\n[ \n]*/g, "\n")
    .trim();
}
