import { clothInLight } from "../cover/in-light";
import type { Yarn } from "../cover/weave";
import { LIGHT } from "../look/colours";
import { escape } from "./html";
import { CARD } from "./reader-machines";

/** Of the height of the card the cloth takes so much. */
const CLOTH = 300;
const MARGIN = 72;
/** How wide a letter of Literata is on the average, in parts of its size: measured over English titles. */
const WIDE = 0.5;

/** Breaks a title into lines of at most so many letters; what is behind the last line is cut off with an ellipsis. */
export function linesOf(title: string, letters: number, most: number): string[] {
  const lines: string[] = [];
  let line = "";
  for (const word of title.trim().split(/\s+/u)) {
    // A word that is longer than a line is broken where the line ends.
    for (let rest = word; rest;) {
      const room = letters - (line ? line.length + 1 : 0);
      if ([...rest].length <= room) {
        line = line ? `${line} ${rest}` : rest;
        rest = "";
      } else if (line) {
        lines.push(line);
        line = "";
      } else {
        lines.push([...rest].slice(0, letters).join(""));
        rest = [...rest].slice(letters).join("");
      }
      if (lines.length > most) break;
    }
    if (lines.length > most) break;
  }
  if (line) lines.push(line);
  if (lines.length <= most) return lines;
  return [...lines.slice(0, most - 1), `${lines[most - 1]!.slice(0, letters - 1)}…`];
}

/**
 * The picture that stands beside a link to a collection elsewhere: its own cloth, its name, and what it holds.
 * @param holds what it holds, in words
 * @returns SVG in colours of its own, for a renderer that knows no style sheet
 */
export function cardSvg(
  { title, teamName }: { title: string; teamName: string },
  threads: readonly Yarn[],
  tags: readonly string[],
  holds: string,
): string {
  const { width, height } = CARD;
  const cloth = clothInLight(threads, tags, width, CLOTH);
  const size = title.length > 60 ? 56 : 72;
  const lines = linesOf(title, Math.floor((width - 2 * MARGIN) / (size * WIDE)), 2);
  const top = CLOTH + 40 + size;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><path fill="${LIGHT.sheet}" d="M0 0h${width}v${height}H0z"/>${cloth}<g font-family="Literata" font-weight="600" font-size="${size}" fill="${LIGHT.ink}">${lines
    .map((line, i) => `<text x="${MARGIN}" y="${top + i * size * 1.2}">${escape(line)}</text>`)
    .join(
      "",
    )}</g><g font-family="Atkinson Hyperlegible Next" font-size="30" fill="${LIGHT.quiet}"><text x="${MARGIN}" y="${height - 44}">${escape(`${teamName} · ${holds}`.slice(0, 90))}</text></g></svg>`;
}
