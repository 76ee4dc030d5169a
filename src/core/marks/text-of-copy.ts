import { Parser } from "htmlparser2";
import { LINES, TextBuilder } from "./text-builder";

/**
 * The text of a reading copy in which marks are counted: what its text nodes hold, with a line for each block.
 * @param html as the sanitiser left it
 */
export function textOfCopy(html: string): string {
  const builder = new TextBuilder();
  let inPre = false;
  const parser = new Parser(
    {
      onopentag(name) {
        if (LINES.has(name)) builder.line();
        inPre = name === "pre";
      },
      ontext(text) {
        // The first line break of what is set as it is written is none (HTML, 13.1.2.5).
        builder.add(inPre ? text.replace(/^\n/, "") : text);
        inPre = false;
      },
      onclosetag(name) {
        if (LINES.has(name)) builder.line();
        inPre = false;
      },
    },
    { decodeEntities: true },
  );
  parser.end(html);
  return builder.text;
}
