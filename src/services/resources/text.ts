import { IsInt, Max, Min } from "class-validator";
import { beginningOf } from "@/core/page/beginning";
import { withPictures } from "@/core/page/text-pictures";
import { keptPart } from "@/core/text/kept-part";
import { findResource } from "@/data/queries/resources";
import { picturesOfText } from "@/data/queries/text-pictures";
import { findCopy, findFile, lengthOfText } from "@/data/queries/texts-and-files";
import { reading } from "@/mechanism/action";
import { Id, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadText {
  @Id() resource: string;
  /** At least so many characters of it, to the end of a block, are enough where it is much longer. */
  @Optional() @IsInt() @Min(1_000) @Max(200_000) beginning?: number;
}

export const readText = reading({
  name: "resources.text",
  about: "The reading copy of a resource as sanitised HTML, and its file, where it has them.",
  input: ReadText,
  allow: can.seeHere("resource"),
  run: async ({ input, tx }) => {
    const row = (await findResource(tx, input.resource))!;
    const { beginning: least } = input;
    const text = await findCopy(tx, row.id, least === undefined ? null : least * 3 + 1);
    const begin = text && (least === undefined ? text.html : beginningOf(text.html, least));
    const file = await findFile(tx, row.id);
    const length = file?.type.startsWith("text/") ? await lengthOfText(tx, row.id) : 0;
    return {
      html: text && withPictures(begin!, await picturesOfText(tx, row.id, text.number)),
      /** Whether that is all of it. */
      whole: begin === (text?.html ?? null),
      origin: text?.origin ?? null,
      at: text?.at ?? null,
      /** Counts the copies it has had; what is marked in this one says so. */
      number: text?.number ?? null,
      file: file && { name: file.name, type: file.type, bytes: file.bytes },
      /** Of a file longer than what is kept of its text, what is kept: the first of its pages, or of its characters. */
      part: file && text ? keptPart(file.type, row.pages, length) : null,
      quotation: row.quotation,
    };
  },
});
