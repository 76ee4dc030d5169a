import { Parser } from "htmlparser2";

/** More rows than anybody pastes. */
const MOST_ROWS = 50_000;
const MOST_CELLS = 200;

/**
 * The rows of a table of HTML, as spreadsheets and pages put one on the clipboard: the words of each cell. Addresses that stand
 * behind the words of a cell become a column of their own.
 * @param html what is on the clipboard
 * @returns null when it is no table of at least two rows and two columns, or when more stands beside the table than in it
 */
export function tableOfHtml(html: string): string[][] | null {
  const rows: { cells: string[]; address: string }[] = [];
  let cell: string | null = null;
  let silent = 0;
  let [inside, beside] = [0, 0];
  const parser = new Parser(
    {
      onopentag(name, { href = "" }) {
        if (name === "style" || name === "script" || name === "title") silent++;
        if (name === "tr" && rows.length < MOST_ROWS) rows.push({ cells: [], address: "" });
        if (name === "td" || name === "th") cell = "";
        if (name === "br" && cell !== null) cell += " ";
        const row = rows.at(-1);
        if (name === "a" && cell !== null && row && !row.address && /^https?:/i.test(href))
          row.address = href.trim();
      },
      ontext(words) {
        if (silent) return;
        if (cell === null) beside += words.trim().length;
        else {
          cell += words;
          inside += words.trim().length;
        }
      },
      onclosetag(name) {
        if (name === "style" || name === "script" || name === "title") silent = Math.max(0, silent - 1);
        if ((name === "td" || name === "th") && cell !== null) {
          const row = rows.at(-1);
          if (row && row.cells.length < MOST_CELLS) row.cells.push(cell.replace(/\s+/g, " ").trim());
          cell = null;
        }
      },
    },
    { decodeEntities: true },
  );
  parser.end(html);
  const filled = rows.filter((row) => row.cells.some(Boolean));
  const width = Math.max(0, ...filled.slice(0, 1_000).map((row) => row.cells.length));
  if (filled.length < 2 || width < 2 || beside > inside) return null;
  const hidden = filled.some(({ cells, address }) => address && !cells.includes(address));
  if (!hidden) return filled.map((row) => row.cells);
  const [first, ...rest] = filled;
  // The head of the new column, where the others have heads.
  const head = first!.address ? first!.address : "URL";
  return [
    [...first!.cells, head],
    ...rest.map(({ cells, address }) => [
      ...cells,
      ...Array<string>(Math.max(0, first!.cells.length - cells.length)).fill(""),
      address,
    ]),
  ];
}
