import Papa from "papaparse";
import { type PassedOver, WHY_PASSED } from "../formats/imported";
import type { Format } from "./read-any-words";

/**
 * What stayed out of a file, as a file of its own: a reference list stays one, so that its entries can be mended there and
 * brought in; of everything else a table says what it is and why it stayed out.
 * @param format that of the file they stood in
 * @param all in the order of that file
 */
export function passedOverFile(
  format: Format,
  all: readonly PassedOver[],
): { ending: string; type: string; text: string } {
  const texts = all.map((one) => one.text);
  if (format === "bibtex") return { ending: "bib", type: "text/x-bibtex", text: `${texts.join("\n\n")}\n` };
  if (format === "ris")
    return { ending: "ris", type: "application/x-research-info-systems", text: `${texts.join("\n")}\n` };
  if (format === "csl-json")
    return { ending: "json", type: "application/json", text: `[\n${texts.join(",\n")}\n]\n` };
  const data = all.map(({ text, why }) => [text, WHY_PASSED[why]]);
  // A mark of byte order, without which spreadsheets take UTF-8 for something else.
  const text = `\uFEFF${Papa.unparse({ fields: ["What", "Why"], data }, { escapeFormulae: true })}\r\n`;
  return { ending: "csv", type: "text/csv", text };
}
