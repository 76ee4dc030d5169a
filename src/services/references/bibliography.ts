import { IsBoolean } from "class-validator";
import { arranged, htmlBibliography, textBibliography } from "@/core/cite/arranged";
import { lackOf } from "@/core/cite/lack-of";
import type { StyleId } from "@/core/cite/styles";
import { reading } from "@/mechanism/action";
import { Id, MaybeOneOf, MaybeStyle, MaybeText, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { treeOf } from "../export/tree";
import { worksOf } from "../export/works";
import { cited } from "./cited";
import { styleFor } from "./style-of";

class ReadBibliography {
  @Id() collection: string;
  /** Without it the style that is set for the collection, or what it stands in, or its team. */
  @MaybeStyle() style?: StyleId;
  /** Only these items, by their ids with commas between; about 10,000. */
  @MaybeText(400_000) placements?: string;
  /** In the order of the style, which holds without it, or as they stand in the collection. */
  @MaybeOneOf(["style", "own"]) order?: "style" | "own";
  /** Under which headings. */
  @MaybeOneOf(["none", "section", "kind"]) by?: "none" | "section" | "kind";
  /** Each with its context line. */
  @Optional() @IsBoolean() context?: boolean;
}

export const readBibliography = reading({
  name: "references.bibliography",
  about:
    "The works of a collection, with those inside it, as a bibliography in a style: each work once, in the order and under the headings that are asked for, as plain text and as HTML; and what a reference of each is poor without.",
  input: ReadBibliography,
  allow: can.seeHere("collection"),
  run: async ({ input, tx }) => {
    const tree = await treeOf(tx, input);
    const works = await worksOf(tx, tree);
    const style = await styleFor(tx, input.collection, input.style);
    const { references } = await cited(works, style, tree.collection.language);
    const { order = "style", by = "none", context = false } = input;
    const groups = arranged(references, works, { order, by, context });
    return {
      ...{ style: style.id, styleName: style.name },
      count: references.length,
      text: textBibliography(groups),
      html: htmlBibliography(groups),
      lacking: works.flatMap((work) => {
        const lacks = lackOf(work);
        return lacks.length ? [{ resource: work.id, title: work.title, lacks }] : [];
      }),
    };
  },
});
