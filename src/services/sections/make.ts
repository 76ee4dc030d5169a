import { placeAfter } from "@/core/order/place";
import { orderOfSections } from "@/data/queries/order";
import { findSection } from "@/data/queries/sections";
import { action } from "@/mechanism/action";
import { Id, MaybeId, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
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
  allow: can.arrangeHere("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: "make a section",
  run: async ({ input, tx, at, add, set }) => {
    const { collection, title } = input;
    const id = input.section ?? newId();
    const there = input.section ? await findSection(tx, id) : null;
    if (there && there.collection !== collection) throw new Problem("id-taken");
    if (there) return { section: { id, title: there.title, intro: there.intro, position: there.position } };
    const sections = await orderOfSections(tx, collection);
    const after = input.after === undefined ? (sections.at(-1)?.id ?? null) : input.after;
    const { position, respread: moved } = placeAfter(sections, after);
    await set.respread("section", moved, sections);
    await add("section", { id, collection, title, position, createdAt: at }, { say: { title } });
    return { section: { id, title, intro: "", position } };
  },
});
