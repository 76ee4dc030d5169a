import type { StyleId } from "@/core/cite/styles";
import { evidenceTable } from "@/core/marks/evidence";
import { isRightToLeft } from "@/core/text/direction";
import { meaningsOf } from "@/data/queries/marks";
import { reading } from "@/mechanism/action";
import { Id, MaybeIds, MaybeOneOf, MaybeStyle, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { evidenceInThread } from "@/outside/threads/in-thread";
import { noteTaken } from "../export/note-taken";
import { fileName, treeOf } from "../export/tree";
import { unlessTooLarge } from "../export/unless-too-large";
import { worksOf } from "../export/works";
import { cited } from "../references/cited";
import { styleFor } from "../references/style-of";
import { marksToTake } from "./inside";

const TYPES = {
  docx: "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
  xlsx: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
} as const;

class TakeEvidence {
  @Id() collection: string;
  @OneOf(Object.keys(TYPES)) format: keyof typeof TYPES;
  /** Only these; without it all one may see. */
  @MaybeIds(5_000) marks?: string[];
  /** Without it the style that is set for the collection, or what it stands in, or its team. */
  @MaybeStyle() style?: StyleId;
  /** Without it A4. */
  @MaybeOneOf(["a4", "letter"]) paper?: "a4" | "letter";
}

export const takeEvidence = reading({
  name: "marks.evidence",
  about:
    "A table of evidence of a collection: a row a source, a column each meaning of its marks, in each cell the passages that were marked with it, and the references of the sources; for a word processor (DOCX) or as a workbook (XLSX). Its bytes are in Base64.",
  input: TakeEvidence,
  allow: can.seeHere("collection"),
  run: async ({ input, scope, tx, actor }) => {
    const { collection: id, format } = input;
    const marks = await marksToTake(tx, scope.team!, id, scope.person!, input.marks);
    const meanings = await meaningsOf(tx, scope.team!);
    const table = evidenceTable(
      marks,
      meanings.map(({ name }) => name),
    );
    const tree = await treeOf(tx, { collection: id });
    const sources = new Set(table.rows.map(({ source }) => source.id));
    const works = (await worksOf(tx, tree)).filter((work) => sources.has(work.id));
    const { language, title, teamName } = tree.collection;
    const { references } = await cited(works, await styleFor(tx, id, input.style), language);
    const about = {
      ...{ title: `Evidence in ${title}`, team: teamName, language: language || "en" },
      rightToLeft: isRightToLeft(language),
    };
    const paper = input.paper ?? "a4";
    const bytes = await unlessTooLarge(evidenceInThread({ table, references, about, format, paper }));
    await noteTaken(actor, input, `evidence, ${format}`);
    return {
      ...{ name: `${fileName(about.title)}.${format}`, type: TYPES[format] },
      base64: bytes.toString("base64"),
    };
  },
});
