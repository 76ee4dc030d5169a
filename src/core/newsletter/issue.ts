import { asMarked } from "../text/as-marked";
import {
  withoutInside,
  type EditionContent,
  type EditionItem,
  type EditionSection,
} from "../editions/content";

/** What is written around the items of an issue. */
export type Written = { greeting: string; closing: string };

/** Items of a collection that came after a time, by their ids; without a time all of them. */
export const newSince = (
  items: readonly { id: string; addedAt: Date; look: string }[],
  since: Date | null,
): string[] =>
  items
    .filter((item) => item.look === "item" && (since === null || item.addedAt > since))
    .map((item) => item.id);

/**
 * An issue of a newsletter, made of the collection as its readers see it: only the chosen items, in their order and
 * sections, with the text between them where something is left of a section; the greeting stands before, the closing after.
 * @param closing id of the text the closing becomes
 */
export function issueOf(
  content: EditionContent,
  chosen: ReadonlySet<string>,
  { greeting, closing }: Written,
  closingId: string,
): EditionContent {
  const { sections, ...own } = withoutInside(content.collection);
  const some = sections.flatMap((section) => {
    const items = section.items.filter((item) => item.look === "text" || chosen.has(item.id));
    return items.some((item) => item.look === "item") ? [{ ...section, items }] : [];
  });
  return {
    form: 1,
    collection: {
      ...own,
      description: greeting,
      rich: greeting && asMarked(greeting),
      sections: [
        ...some,
        ...(closing ? [textSection(closing, closingId, content.collection.createdAt)] : []),
      ],
    },
  };
}

const textSection = (text: string, id: string, addedAt: string): EditionSection => ({
  id: null,
  title: "",
  intro: "",
  items: [
    {
      ...{
        id,
        kind: "note",
        heading: "",
        context: "",
        look: "text",
        title: "",
        description: text,
        address: "",
      },
      ...{ host: "", siteName: "", authors: [], published: null, minutes: null, pages: null, tags: [] },
      ...{ picture: null, player: null, language: null, quotation: null, copy: null, isPdf: false },
      ...{ addedAt, resource: "", file: null, text: null },
    } satisfies EditionItem,
  ],
});
