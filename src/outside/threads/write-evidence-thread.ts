import { Packer } from "docx";
import type { Reference } from "@/core/cite/bibliography";
import { evidenceSheets } from "@/core/formats/evidence-sheets";
import { evidenceDocument } from "@/core/formats/printed/evidence-docx";
import { writeWorkbook } from "@/core/formats/xlsx-write";
import type { EvidenceTable } from "@/core/marks/evidence";

export type EvidenceTask = {
  table: EvidenceTable;
  references: readonly Reference[];
  about: { title: string; team: string; language: string; rightToLeft: boolean };
  format: "docx" | "xlsx";
  paper: "a4" | "letter";
};

/** A table of evidence as a file. */
export default async function work({
  table,
  references,
  about,
  format,
  paper,
}: EvidenceTask): Promise<Uint8Array> {
  if (format === "xlsx")
    return writeWorkbook(evidenceSheets(table, references), { title: about.title, by: about.team });
  return new Uint8Array(await Packer.toBuffer(evidenceDocument(table, references, about, paper)));
}
