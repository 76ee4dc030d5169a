import { lockCollection } from "@/data/queries/collections";
import { placementsInSection } from "@/data/queries/placements";
import { findSection } from "@/data/queries/sections";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveSection {
  @Id() section: string;
}

export const removeSection = action({
  name: "sections.remove",
  about: "Puts a section and the items in it into the bin.",
  input: RemoveSection,
  allow: can.arrange("section"),
  history: "delete a section",
  run: async ({ input, tx, remove }) => {
    const section = (await findSection(tx, input.section))!;
    // Nobody puts anything into it meanwhile.
    await lockCollection(tx, section.collection);
    // One moment for all of them: the items that went with it come back with it.
    const items = await placementsInSection(tx, section.id);
    await remove("section", section);
    await remove("placement", items);
    return { removed: section.id };
  },
});
