import { findResource } from "@/data/queries/resources";
import { findFile, findText } from "@/data/queries/texts-and-files";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadText {
  @Id() resource: string;
}

export const readText = reading({
  name: "resources.text",
  about: "The reading copy of a resource as sanitised HTML, and its file, where it has them.",
  input: ReadText,
  allow: can.see("resource"),
  run: async ({ input, tx }) => {
    const row = (await findResource(tx, input.resource))!;
    const text = await findText(tx, row.id);
    const file = await findFile(tx, row.id);
    return {
      html: text?.html ?? null,
      origin: text?.origin ?? null,
      at: text?.at ?? null,
      /** Counts the copies it has had; what is marked in this one says so. */
      number: text?.number ?? null,
      file: file && { name: file.name, type: file.type, bytes: file.bytes },
      quotation: row.quotation,
    };
  },
});
