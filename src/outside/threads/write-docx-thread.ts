import { Packer } from "docx";
import { docxDocument, withPictures } from "@/core/formats/printed/docx-document";
import { intoTemplate, TemplateRefused } from "@/core/formats/printed/into-template";
import type { Pictures, Printed } from "@/core/formats/printed/model";

export type DocxTask = {
  printed: Printed;
  paper: "a4" | "letter";
  pictures: Pictures;
  /** A document it is put into. */
  template?: Uint8Array;
};
/** The document, or why its template cannot be one. */
export type DocxAnswer = { bytes: Uint8Array } | { refused: string };

/** A document of a word processor, packed. */
export default async function work({ printed, paper, pictures, template }: DocxTask): Promise<DocxAnswer> {
  const ours = new Uint8Array(await Packer.toBuffer(docxDocument(printed, paper, pictures)));
  if (!template) return { bytes: withPictures(ours, pictures) };
  try {
    return { bytes: withPictures(intoTemplate(template, ours), pictures) };
  } catch (error) {
    if (error instanceof TemplateRefused) return { refused: error.message };
    throw error;
  }
}
