import { collectionOf, findImport, partsFrom, placesOfImport } from "@/data/queries/imports";
import { reading } from "@/mechanism/action";
import { Id, MaybeOneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

const BECAME = ["made", "placed", "here", "rejected", "left"] as const;

class ReadImport {
  @Id() import: string;
  /** Only lines of this outcome. */
  @MaybeOneOf(BECAME) became?: (typeof BECAME)[number];
  /** Number of the part to begin with, as text or number. */
  @MaybeOneOf(Array.from({ length: 501 }, (_, i) => String(i))) from?: string;
}

const PARTS = 2;

export const readImport = reading({
  name: "imports.read",
  about: "One import: how far it is, and its lines with what became of each, two parts of lines at a time.",
  input: ReadImport,
  allow: can.bring("import"),
  run: async ({ input, tx }) => {
    const row = (await findImport(tx, input.import))!;
    const { places, standing } = await placesOfImport(tx, row.id);
    const from = Number(input.from ?? 0);
    const parts = await partsFrom(tx, row.id, from, PARTS);
    const lines = parts.flatMap((part) =>
      part.lines.map((line, i) => ({
        title: line.title || line.note.slice(0, 80),
        address: line.address,
        place: line.place === null ? null : (places[line.place]?.title ?? null),
        became: part.outcomes?.[i]?.became ?? null,
      })),
    );
    return {
      import: row,
      opens: standing.find((one) => !one.section)?.id ?? (row.into && (await collectionOf(tx, row.into))),
      lines: input.became ? lines.filter((line) => line.became === input.became) : lines,
      next: parts.length === PARTS ? from + PARTS : null,
    };
  },
});
