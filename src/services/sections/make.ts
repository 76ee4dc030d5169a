import { placeAfter } from "@/core/order/place";
import { lockCollection, sectionsOf } from "@/data/queries/collections";
import { respreadSections } from "@/data/queries/placements";
import { action } from "@/mechanism/action";
import { Id, MaybeId, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";

class MakeSection {
  @Id() collection: string;
  @Name("a name for the section", 200) title: string;
  /** The section to stand behind; null for the first place, left out for the last. */
  @MaybeId() after?: string | null;
  @MaybeId() section?: string;
}

export const makeSection = action({
  name: "sections.make",
  about: "Makes a section in a collection. An id sent twice makes one.",
  input: MakeSection,
  allow: can.arrange("collection"),
  history: "make a section",
  run: async ({ input, tx, at, add }) => {
    const { collection, title } = input;
    await lockCollection(tx, collection);
    const sections = await sectionsOf(tx, collection);
    const id = input.section ?? newId();
    const there = sections.find((one) => one.id === id);
    if (there) return { section: there };
    const after = input.after === undefined ? (sections.at(-1)?.id ?? null) : input.after;
    const { position, respread } = placeAfter(sections, after);
    await respreadSections(tx, respread);
    await add("section", { id, collection, title, position, createdAt: at }, { say: { title } });
    return { section: { id, title, intro: "", position } };
  },
});
