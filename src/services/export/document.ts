import type { StyleId } from "@/core/cite/styles";
import type { Tx } from "@/data/database";
import { templateFor } from "@/data/queries/templates";
import { reading } from "@/mechanism/action";
import { Id, MaybeOneOf, MaybeStyle, MaybeText, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import {
  type Patience,
  WHILE_ONE_WAITS,
  writeBook,
  writeDocx,
  writePdf,
  writeSheet,
  writeWorkbook,
} from "./pages";
import { copiesOf } from "./copies";
import { referencesOf } from "./references-of";
import { sheetOf } from "./sheet";
import { fileName, treeOf } from "./tree";

/** Documents a collection can be set as. A new one needs a writer and a line here. */
const DOCUMENTS = {
  pdf: { type: "application/pdf", write: writePdf },
  docx: {
    type: "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
    write: writeDocx,
  },
  epub: { type: "application/epub+zip", write: writeBook },
  sheet: { type: "application/pdf", write: writeSheet },
  xlsx: {
    type: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
    write: writeWorkbook,
  },
} as const;
export const DOCUMENT_FORMATS = Object.keys(DOCUMENTS);

export class ExportDocument {
  @Id() collection: string;
  @OneOf(DOCUMENT_FORMATS) format: keyof typeof DOCUMENTS;
  /** Only these items, by their ids with commas between; about 10,000. */
  @MaybeText(400_000) placements?: string;
  /** The style of a bibliography that stands at its end; without it there is none. */
  @MaybeStyle() style?: StyleId;
  /** Without it A4. */
  @MaybeOneOf(["a4", "letter"]) paper?: "a4" | "letter";
  /** Of a document of a word processor: in the template of the team, which holds without it, or in the look of Hobbin. */
  @MaybeOneOf(["team", "plain"]) look?: "team" | "plain";
  /** Of a book: reading copies go along, as chapters. */
  @MaybeOneOf(["all"]) copies?: "all";
}

export const exportDocument = reading({
  name: "export.document",
  about:
    "A collection, with those inside it, as a document on A4 or Letter: PDF, or for a word processor (DOCX); as a book (EPUB); as a workbook (XLSX), a sheet a collection and a row an item; or as what learners are handed (sheet, PDF): their side, with a code beside each link and room to write. Its bytes are in Base64; /api/export/<collection> gives the file itself.",
  input: ExportDocument,
  allow: can.seeHere("collection"),
  run: async ({ input, tx }) => {
    const { bytes, ...file } = await documentOf(tx, input, WHILE_ONE_WAITS);
    return { ...file, base64: bytes.toString("base64") };
  },
});

/**
 * The document itself.
 * @throws {Problem} export-too-large
 */
export async function documentOf(tx: Tx, input: ExportDocument, patience: Patience) {
  const { format } = input;
  const isSheet = format === "sheet";
  const { tree, leads } = isSheet ? await sheetOf(tx, input) : { tree: await treeOf(tx, input), leads: null };
  const { type, write } = DOCUMENTS[format];
  const references = input.style && !isSheet ? await referencesOf(tx, tree, input.style) : [];
  const inTemplate =
    format === "docx" && input.look !== "plain" ? await templateFor(tx, input.collection) : null;
  const copies = format === "epub" && input.copies ? await copiesOf(tx, tree) : [];
  const more = { leads, inTemplate: inTemplate?.hash ?? null, copies };
  const bytes = await write(tree, input.paper ?? "a4", references, patience, more);
  return { name: `${fileName(tree.collection.title)}.${isSheet ? "pdf" : format}`, type, bytes };
}
