import { escape } from "../publish/html";
import { forXml } from "../text/for-xml";
import type { Flow } from "./flow";

const [WIDTH, BOX, GAP, LINE, PAD] = [760, 340, 26, 18, 12] as const;
/** How many letters go into a line of a box. */
const LETTERS = 46;
const RIGHT = WIDTH - BOX;

type Box = { x: number; lines: string[] };

/** Words in lines of a length; a longer word stands in a line of its own. */
function inLines(text: string): string[] {
  const lines: string[] = [];
  for (const word of text.split(" ")) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + word.length < LETTERS)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(lines.length ? `  ${word}` : word);
  }
  return lines;
}

const heightOf = ({ lines }: Box) => lines.length * LINE + 2 * PAD;
const said = (what: string, n: number) => inLines(`${what} (n = ${n})`);

/**
 * The flow diagram of a review as PRISMA 2020 draws it (M. J. Page et al., BMJ 372 (2021) n71, figure 1), as far as its numbers are
 * known: what goes on stands at the left, what is left out beside it. Black on white, so that it prints.
 * @returns a document of SVG 1.1
 */
export function flowSvg(flow: Flow): string {
  const { identified: found, removedBefore, sought, notRetrieved, assessed } = flow;
  const rows: { on: Box; off: Box | null }[] = [];
  const row = (on: string[], off: string[] | null) =>
    rows.push({ on: { x: 0, lines: on }, off: off && { x: RIGHT, lines: off } });
  if (found)
    row(
      [
        "Records identified from:",
        ...said("Databases", found.databases),
        ...said("Registers", found.registers),
        ...(found.other ? said("Elsewhere", found.other) : []),
      ],
      removedBefore === null ? null : said("Records removed before screening", removedBefore),
    );
  row(said("Records screened", flow.screened), said("Records excluded", flow.excluded));
  if (sought !== null)
    row(said("Reports sought for retrieval", sought), said("Reports not retrieved", notRetrieved ?? 0));
  if (assessed !== null)
    row(
      said("Reports assessed for eligibility", assessed),
      flow.excludedFor.length
        ? ["Reports excluded:", ...flow.excludedFor.flatMap(({ reason, count }) => said(reason, count))]
        : null,
    );
  row(
    said("Included in the review", flow.included),
    flow.undecided ? said("Not decided on yet", flow.undecided) : null,
  );
  const parts: string[] = [];
  let y = 1;
  rows.forEach(({ on, off }, i) => {
    const height = Math.max(heightOf(on), off ? heightOf(off) : 0);
    parts.push(drawBox(on, y, height));
    if (off) {
      parts.push(drawBox(off, y, height));
      parts.push(arrow(BOX, y + height / 2, RIGHT, y + height / 2));
    }
    if (i < rows.length - 1) parts.push(arrow(BOX / 2, y + height, BOX / 2, y + height + GAP));
    y += height + GAP;
  });
  const all = y - GAP + 1;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${all}" width="${WIDTH}" height="${all}" font-family="sans-serif" font-size="13"><defs><marker id="tip" viewBox="0 0 8 8" refX="8" refY="4" markerWidth="8" markerHeight="8" orient="auto"><path d="M0 0L8 4L0 8z"/></marker></defs><rect width="${WIDTH}" height="${all}" fill="#fff"/>${parts.join("")}</svg>`;
}

function drawBox({ x, lines }: Box, y: number, height: number): string {
  const words = lines.map(
    (line, i) =>
      `<tspan x="${x + PAD}" y="${y + PAD + 13 + i * LINE}" xml:space="preserve">${escape(forXml(line))}</tspan>`,
  );
  return `<rect x="${x + 0.5}" y="${y}" width="${BOX - 1}" height="${height}" fill="none" stroke="#000"/><text>${words.join("")}</text>`;
}

const arrow = (x1: number, y1: number, x2: number, y2: number) =>
  `<line x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}" stroke="#000" marker-end="url(#tip)"/>`;
