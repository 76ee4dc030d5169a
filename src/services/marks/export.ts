import { writeAnnotations } from "@/core/marks/annotations-write";
import { writeMarksCsv, writeMarksMarkdown } from "@/core/marks/marks-write";
import type { MarkOut } from "@/core/marks/model";
import { findCollection } from "@/data/queries/collections";
import { reading } from "@/mechanism/action";
import { Id, MaybeIds, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { noteTaken } from "../export/note-taken";
import { fileName } from "../export/tree";
import { marksToTake } from "./inside";

type About = { id: string; title: string };
const FORMATS = {
  markdown: {
    ...{ type: "text/markdown; charset=utf-8", ending: "md" },
    write: ({ title }: About, marks: readonly MarkOut[]) => writeMarksMarkdown(title, marks),
  },
  "json-ld": { type: "application/ld+json", ending: "jsonld", write: writeAnnotations },
  csv: {
    ...{ type: "text/csv; charset=utf-8", ending: "csv" },
    write: (_: About, marks: readonly MarkOut[]) => writeMarksCsv(marks),
  },
} as const;

class ExportMarks {
  @Id() collection: string;
  @OneOf(Object.keys(FORMATS)) format: keyof typeof FORMATS;
  /** Only these; without it all one may see. */
  @MaybeIds() marks?: string[];
}

export const exportMarks = reading({
  name: "marks.export",
  about:
    "The marks on whatever stands in a collection, as Markdown with their sources, as web annotations (JSON-LD of the W3C), or as a table (CSV).",
  input: ExportMarks,
  allow: can.seeHere("collection"),
  run: async ({ input, scope, tx, actor }) => {
    const { title } = (await findCollection(tx, input.collection))!;
    const marks = await marksToTake(tx, scope.team!, input.collection, scope.person!, input.marks);
    const { type, ending, write } = FORMATS[input.format];
    const about = { id: input.collection, title };
    await noteTaken(actor, input, `marks, ${ending}`);
    return { name: `${fileName(`Marks in ${title}`)}.${ending}`, type, content: write(about, marks) };
  },
});
