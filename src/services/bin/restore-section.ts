import { placementsInSection } from "@/data/queries/placements";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RestoreSection {
  @Id() section: string;
}

export const restoreSection = action({
  name: "bin.restore-section",
  about: "Puts a section back, with the items that went with it.",
  input: RestoreSection,
  allow: can.restore("section"),
  locks: ({ input }) => ({ sections: [input.section] }),
  history: "put a section back",
  run: async ({ input, tx, locked, restore }) => {
    const row = locked.section(input.section);
    if (!row.deletedAt) return { restored: input.section };
    const items = await placementsInSection(tx, row.id, row.deletedAt);
    await restore("section", row);
    await restore("placement", items);
    return { restored: row.id };
  },
});
