import { plainBibliography } from "@/core/cite/bibliography";
import { htmlBibliography } from "@/core/cite/html-bibliography";
import { STYLE_IDS, type StyleId } from "@/core/cite/styles";
import { reading } from "@/mechanism/action";
import { Id, MaybeText, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { referencesOf } from "../export/references-of";
import { treeOf } from "../export/tree";

class ReadBibliography {
  @Id() collection: string;
  @OneOf(STYLE_IDS) style: StyleId;
  /** Only these items, by their ids with commas between; about 10,000. */
  @MaybeText(400_000) placements?: string;
}

export const readBibliography = reading({
  name: "references.bibliography",
  about:
    "The works of a collection, with those inside it, as a bibliography in a style: each work once, in the order the style wants, as plain text and as HTML.",
  input: ReadBibliography,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const tree = await treeOf(tx, input);
    const entries = await referencesOf(tx, tree, input.style);
    return { count: entries.length, text: plainBibliography(entries), html: htmlBibliography(entries) };
  },
});
