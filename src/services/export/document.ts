import { STYLE_IDS, type StyleId } from "@/core/cite/styles";
import { reading } from "@/mechanism/action";
import { Id, MaybeOneOf, MaybeText, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { writeBook, writeDocx, writePdf, writeWorkbook } from "./pages";
import { referencesOf } from "./references-of";
import { fileName, treeOf } from "./tree";

/** Documents a collection can be set as. A new one needs a writer and a line here. */
const DOCUMENTS = {
  pdf: { type: "application/pdf", write: writePdf },
  docx: {
    type: "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
    write: writeDocx,
  },
  epub: { type: "application/epub+zip", write: writeBook },
  xlsx: {
    type: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
    write: writeWorkbook,
  },
} as const;
export const DOCUMENT_FORMATS = Object.keys(DOCUMENTS);

class ExportDocument {
  @Id() collection: string;
  @OneOf(DOCUMENT_FORMATS) format: keyof typeof DOCUMENTS;
  /** Only these items, by their ids with commas between; about 10,000. */
  @MaybeText(400_000) placements?: string;
  /** The style of a bibliography that stands at its end; without it there is none. */
  @MaybeOneOf(STYLE_IDS) style?: StyleId;
  /** Without it A4. */
  @MaybeOneOf(["a4", "letter"]) paper?: "a4" | "letter";
}

export const exportDocument = reading({
  name: "export.document",
  about:
    "A collection, with those inside it, as a document on A4 or Letter: PDF, or for a word processor (DOCX); as a book (EPUB); or as a workbook (XLSX), a sheet a collection and a row an item. Its bytes are in Base64; /api/export/<collection> gives the file itself.",
  input: ExportDocument,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const tree = await treeOf(tx, input);
    const { type, write } = DOCUMENTS[input.format];
    const references = input.style ? await referencesOf(tx, tree, input.style) : [];
    const bytes = await write(tree, input.paper ?? "a4", references);
    return {
      name: `${fileName(tree.collection.title)}.${input.format}`,
      type,
      base64: bytes.toString("base64"),
    };
  },
});
