import Papa from "papaparse";
import { eq } from "drizzle-orm";
import { findIntake, partsFrom } from "@/data/queries/intakes";
import { intake } from "@/data/schema";
import { reading } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RejectedLines {
  @Id() intake: string;
}

export const rejectedLines = reading({
  name: "intakes.rejected",
  about: "The lines that could not be brought in, as a CSV file that can be mended and brought in again.",
  input: RejectedLines,
  allow: can.bring("intake"),
  run: async ({ input, tx }) => {
    const row = (await findIntake(tx, input.intake))!;
    const [{ places = [] } = {}] = await tx
      .select({ places: intake.places })
      .from(intake)
      .where(eq(intake.id, row.id));
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
