import Papa from "papaparse";
import { LONGEST_NAME, MOST_NAMES } from "./names";

/** How lists call a column, in a few languages; common practice, from no source. */
const FIRST = /^(first|given|fore)[ _-]?names?$|^vornamen?$|^pr[ée]noms?$|^nombres?$|^nome$|^imię$/iu;
const LAST =
  /^(last|family)[ _-]?names?$|^surnames?$|^(nach|familien)name$|^noms?$|^apellidos?$|^cognome$|^nazwisko$/iu;
const WHOLE =
  /^((full|display)[ _-]?)?names?$|^(student|learner|pupil|participant)s?$|^schüler(in)?$|^élèves?$/iu;

/**
 * The names of a class list: a table as a school's program gives it (comma, semicolon or tab between its columns), or a
 * plain list. Columns are found by their heads; without any the first is the name, with the one beside it when that is in
 * letters alone as well.
 * @param text of the file
 * @returns names in their order, at most `MOST_NAMES` and one more
 */
export function namesInFile(text: string): string[] {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), {
    skipEmptyLines: "greedy",
    delimitersToGuess: [",", ";", "\t", "|"],
    preview: MOST_NAMES + 2,
  });
  const rows = data.map((row) => row.map((cell) => cell.replace(/\s+/g, " ").trim()));
  const heads = rows[0] ?? [];
  const at = (name: RegExp) => heads.findIndex((head) => name.test(head));
  const [first, last, whole] = [at(FIRST), at(LAST), at(WHOLE)];
  const isHeaded = first >= 0 || last >= 0 || whole >= 0;
  const columns = isHeaded
    ? first >= 0 || whole < 0
      ? [first, last].filter((i) => i >= 0)
      : [whole]
    : inLetters(rows)
      ? [0, 1]
      : [0];
  return rows
    .slice(isHeaded ? 1 : 0)
    .map((row) =>
      [
        ...columns
          .map((i) => row[i] ?? "")
          .filter(Boolean)
          .join(" "),
      ]
        .slice(0, LONGEST_NAME)
        .join("")
        .trim(),
    )
    .filter(Boolean)
    .slice(0, MOST_NAMES + 1);
}

/** Whether the second column is the other half of a name: letters in nearly every row, and not always the same. */
function inLetters(rows: readonly string[][]): boolean {
  const cells = rows.map((row) => row[1] ?? "");
  const names = cells.filter((cell) => /^[\p{L}\p{M}][\p{L}\p{M} .'’-]+$/u.test(cell));
  return names.length > cells.length * 0.9 && new Set(names).size > 1;
}
