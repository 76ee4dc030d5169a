import { plainRuns } from "@/core/cite/runs";
import { plainBibliography } from "@/core/cite/bibliography";
import { faced } from "@/core/cite/faced";
import { arranged, htmlBibliography } from "@/core/cite/arranged";
import { LOCATOR_LABELS, type LocatorLabel } from "@/core/cite/citation";
import type { StyleId } from "@/core/cite/styles";
import { reading } from "@/mechanism/action";
import { Id, MaybeOneOf, MaybeStyle, MaybeText, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { treeOf } from "../export/tree";
import { worksOf } from "../export/works";
import { cited } from "./cited";
import { styleFor } from "./style-of";

class Cite {
  @Id() collection: string;
  /** Of items, by their ids with commas between; about 100. */
  @Name("some items", 4_000) placements: string;
  /** Without it the style that is set for the collection, or what it stands in, or its team. */
  @MaybeStyle() style?: StyleId;
  /** Which part of the first one is meant: a page, a time. */
  @MaybeText(60) at?: string;
  /** What `at` counts; without it pages. */
  @MaybeOneOf(LOCATOR_LABELS) label?: LocatorLabel;
}

export const cite = reading({
  name: "references.cite",
  about:
    "Some items in a style: as references, and as they are cited in a text, with the page or the second that is meant.",
  input: Cite,
  allow: can.seeHere("collection"),
  run: async ({ input, tx }) => {
    const tree = await treeOf(tx, input);
    const works = await worksOf(tx, tree);
    if (!works.length) throw new Problem("not-found");
    const style = await styleFor(tx, input.collection, input.style);
    const at = input.at?.trim();
    const locator = at ? { label: input.label ?? ("page" as const), at } : null;
    const { references, inText } = await cited(works, style, tree.collection.language, locator);
    const groups = arranged(references, works, { order: "style", by: "none", context: false });
    return {
      ...{ style: style.id, styleName: style.name },
      count: references.length,
      reference: { text: plainBibliography(references), html: htmlBibliography(groups) },
      inText: { text: plainRuns(inText), html: inText.map((run) => faced(run).text).join("") },
    };
  },
});
