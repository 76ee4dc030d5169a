import { placeAfter } from "@/core/order/place";
import { lockCollection, sectionsOf } from "@/data/queries/collections";
import { respreadSections } from "@/data/queries/placements";
import { findSection } from "@/data/queries/sections";
import { action } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class MoveSection {
  @Id() section: string;
  /** The section to stand behind; null for the first place. */
  @MaybeId() after?: string | null;
}

export const moveSection = action({
  name: "sections.move",
  about: "Puts a section, with its items, behind another one.",
  input: MoveSection,
  allow: can.arrange("section"),
  history: "move a section",
  run: async ({ input, tx, change }) => {
    const before = (await findSection(tx, input.section))!;
    await lockCollection(tx, before.collection);
    const others = (await sectionsOf(tx, before.collection)).filter((one) => one.id !== before.id);
    const { position, respread } = placeAfter(others, input.after ?? null);
    await respreadSections(tx, respread);
    await change("section", before, { position });
    return { section: { id: before.id, position } };
  },
});
