import { placementsInSection } from "@/data/queries/placements";
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
  allow: can.arrangeHere("section"),
  // With its collection, so that nobody puts anything into it meanwhile.
  locks: ({ input }) => ({ sections: [input.section] }),
  history: "delete a section",
  run: async ({ input, tx, locked, remove }) => {
    const section = locked.section(input.section);
    // One moment for all of them: the items that went with it come back with it.
    const items = await placementsInSection(tx, section.id);
    await remove("section", section);
    await remove("placement", items);
    return { removed: section.id };
  },
});
