import { withPictures } from "@/core/page/text-pictures";
import { keptPart } from "@/core/text/kept-part";
import { findResource } from "@/data/queries/resources";
import { picturesOfText } from "@/data/queries/text-pictures";
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
      html: text && withPictures(text.html, await picturesOfText(tx, row.id, text.number)),
      origin: text?.origin ?? null,
      at: text?.at ?? null,
      /** Counts the copies it has had; what is marked in this one says so. */
      number: text?.number ?? null,
      file: file && { name: file.name, type: file.type, bytes: file.bytes },
      /** Of a file longer than what is kept of its text, what is kept: the first of its pages, or of its characters. */
      part: file && text ? keptPart(file.type, row.pages, text.text.length) : null,
      quotation: row.quotation,
    };
  },
});
