import Papa from "papaparse";
import { type Line, writeOutcome } from "./read-outcomes";

/** So large is no list of outcomes; characters. */
export const LARGEST_TABLE = 1_000_000;
const MOST_ROWS = 2_000;

/**
 * What a column is by its head, without blanks and signs. Those in one word are of the table of the standard for exchanging competencies,
 * 1EdTech CASE 1.0 (from memory); the others are common practice.
 */
const HEADS: Record<"code" | "title" | "parent" | "level", readonly string[]> = {
  code: ["humancodingscheme", "code", "id", "no", "nr", "number", "key", "identifier"],
  title: [
    ...["fullstatement", "outcome", "learningoutcome", "question", "researchquestion", "title", "statement"],
    ...["text", "description", "name"],
  ],
  parent: ["ischildof", "parent", "parentcode", "parentid", "within", "standsin"],
  level: ["smartlevel", "level", "depth"],
};

const columnOf = (heads: readonly string[], what: keyof typeof HEADS): number =>
  HEADS[what].map((name) => heads.indexOf(name)).find((at) => at >= 0) ?? -1;

/**
 * Outcomes from a table of text (RFC 4180; commas, semicolons, tabs or bars), as lines that `readOutcomes` reads. What stands in what is
 * said by a column that names the code of the one above, by one with levels (2, or 1.3 for the second), or by nothing.
 * @returns null when there is no column of words
 */
export function outcomesFromTable(text: string): string | null {
  if (text.length > LARGEST_TABLE) return null;
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), {
    skipEmptyLines: "greedy",
    delimitersToGuess: [",", ";", "\t", "|"],
    preview: MOST_ROWS,
  });
  const heads = (data[0] ?? []).map((cell) => cell.toLowerCase().replace(/[^\p{L}]+/gu, ""));
  const hasHeads = (["code", "title", "parent", "level"] as const).some((what) => columnOf(heads, what) >= 0);
  const width = Math.max(0, ...data.map((row) => row.length));
  const at = hasHeads
    ? {
        ...{ code: columnOf(heads, "code"), title: columnOf(heads, "title") },
        ...{ parent: columnOf(heads, "parent"), level: columnOf(heads, "level") },
      }
    : { code: width > 1 ? 0 : -1, title: width > 1 ? 1 : 0, parent: -1, level: -1 };
  const cell = (row: readonly string[], i: number) => (row[i] ?? "").trim().replace(/\s+/g, " ");
  const rows = (hasHeads ? data.slice(1) : data)
    .map((row) => ({
      ...{
        code: cell(row, at.code)
          .replace(/[\s[\]]+/g, "")
          .slice(0, 20),
        title: cell(row, at.title),
      },
      ...{
        parent: cell(row, at.parent)
          .replace(/[\s[\]]+/g, "")
          .slice(0, 20),
        level: cell(row, at.level),
      },
    }))
    .filter(({ title }) => title);
  if (!rows.length) return null;
  const lines = at.parent >= 0 ? byParents(rows) : at.level >= 0 ? byLevels(rows) : rows.map(flat);
  return lines.map(writeOutcome).join("\n");
}

type Row = { code: string; title: string; parent: string; level: string };
const flat = ({ code, title }: Row): Line => ({ code, title, depth: 0 });

/** Each behind the one it names; who names nobody there stands at the top, and who would stand in itself is not lost. */
function byParents(rows: readonly Row[]): Line[] {
  const codes = new Set(rows.map(({ code }) => code).filter(Boolean));
  const inside = new Map<string, Row[]>();
  for (const row of rows) {
    const parent = codes.has(row.parent) && row.parent !== row.code ? row.parent : "";
    inside.set(parent, [...(inside.get(parent) ?? []), row]);
  }
  const lines: Line[] = [];
  const done = new Set<Row>();
  const walk = (row: Row, depth: number) => {
    if (done.has(row)) return;
    done.add(row);
    lines.push({ code: row.code, title: row.title, depth });
    if (row.code) for (const child of inside.get(row.code) ?? []) walk(child, depth + 1);
  };
  for (const row of inside.get("") ?? []) walk(row, 0);
  // What is left names each other in a ring.
  for (const row of rows) walk(row, 0);
  return lines;
}

/** How deep by a number, the least of which is the top; or by the points of one. */
function byLevels(rows: readonly Row[]): Line[] {
  const hasPoints = rows.some(({ level }) => level.includes("."));
  const depths = rows.map(({ level }) => (hasPoints ? level.split(".").length : Number.parseInt(level) || 1));
  const top = Math.min(...depths);
  return rows.map((row, i) => ({ ...flat(row), depth: Math.min(depths[i]! - top, 20) }));
}
