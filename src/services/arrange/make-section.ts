import { placeAfter } from "@/core/order/place";
import { lockCollection, sectionsOf } from "@/data/queries/collections";
import { respread } from "@/data/queries/placements";
import { touchCollections } from "@/data/queries/resources";
import { section } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Id, MaybeId, Name } from "../input";
import { can } from "../policy";

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
  run: async ({ input, tx, tell, did }) => {
    await lockCollection(tx, input.collection);
    const sections = await sectionsOf(tx, input.collection);
    const id = input.section ?? newId();
    const there = sections.find((one) => one.id === id);
    if (there) return { section: there };
    const after = input.after === undefined ? (sections.at(-1)?.id ?? null) : input.after;
    const { position, respread: moved } = placeAfter(sections, after);
    await respread(tx, section, moved);
    await tx
      .insert(section)
      .values({ id, collection: input.collection, title: input.title, position, createdAt: now() });
    await touchCollections(tx, [input.collection], now());
    tell({ subject: id, collection: input.collection, data: { title: input.title } });
    did("make a section", [{ thing: "section", id, before: { gone: true }, after: { gone: false } }]);
    return { section: { id, title: input.title, intro: "", position } };
  },
});
