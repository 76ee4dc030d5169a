import { Packer } from "docx";
import { docxDocument } from "@/core/formats/printed/docx-document";
import type { Pictures, Printed } from "@/core/formats/printed/model";

export type DocxTask = {
  printed: Printed;
  paper: "a4" | "letter";
  pictures: Pictures;
};

/** A document of a word processor, packed. */
export default async function work({ printed, paper, pictures }: DocxTask): Promise<Uint8Array> {
  return new Uint8Array(await Packer.toBuffer(docxDocument(printed, paper, pictures)));
}
