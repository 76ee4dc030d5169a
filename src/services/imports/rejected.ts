import Papa from "papaparse";
import { findImport, partsFrom, placesOfImport } from "@/data/queries/imports";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RejectedLines {
  @Id() import: string;
}

export const rejectedLines = reading({
  name: "imports.rejected",
  about: "The lines that could not be brought in, as a CSV file that can be mended and brought in again.",
  input: RejectedLines,
  allow: can.bring("import"),
  run: async ({ input, tx }) => {
    const row = (await findImport(tx, input.import))!;
    const { places } = await placesOfImport(tx, row.id);
    const pathOf = (place: number | null): string => {
      if (place === null) return "";
      const { title, parent, section } = places[place]!;
      return section
        ? pathOf(parent)
        : [pathOf(parent), title.replace(/[/>\\]/g, " ")].filter(Boolean).join(" / ");
    };
    const rows: string[][] = [];
    for (let from = 0; ; from += 20) {
      const parts = await partsFrom(tx, row.id, from, 20);
      for (const part of parts)
        part.lines.forEach((line, i) => {
          if (part.outcomes?.[i]?.became !== "rejected") return;
          const section = line.place !== null && places[line.place]?.section ? places[line.place]!.title : "";
          rows.push([line.address, line.title, line.tagText, line.context, pathOf(line.place), section]);
        });
      if (parts.length < 20) break;
    }
    const fields = ["Link", "Title", "Tags", "Note", "Collection", "Section"];
    return {
      name: `${row.name.replace(/\.[a-z0-9]+$/i, "")}, lines to mend.csv`,
      type: "text/csv; charset=utf-8",
      // A mark of byte order, without which spreadsheets take UTF-8 for something else.
      content: `\uFEFF${Papa.unparse({ fields, data: rows }, { escapeFormulae: true })}\r\n`,
    };
  },
});
