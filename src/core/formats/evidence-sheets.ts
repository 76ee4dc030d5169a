import type { Reference } from "../cite/bibliography";
import { plainRuns } from "../cite/runs";
import { type EvidenceTable, sayPassage } from "../marks/evidence";
import type { Sheet } from "./rows";

/** A table of evidence as sheets of a workbook: the table itself, and the references of its sources. */
export function evidenceSheets(
  { questions, rows }: EvidenceTable,
  references: readonly Reference[],
): Sheet[] {
  const cited = new Map(references.map((one) => [one.id, plainRuns(one.runs)]));
  return [
    {
      title: "Evidence",
      heads: ["Source", ...questions, "Reference", "Address"],
      rows: rows.map(({ source, cells }) => [
        source.title,
        ...cells.map((passages) => passages.map(sayPassage).join("\n\n")),
        cited.get(source.id) ?? null,
        source.address ? { address: source.address } : null,
      ]),
      widths: [30, ...questions.map(() => 45), 50, 40],
    },
  ];
}
