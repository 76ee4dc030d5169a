import { placeAfter } from "@/core/order/place";
import { orderOfSections } from "@/data/queries/order";
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
  allow: can.arrangeHere("section"),
  locks: ({ input }) => ({ sections: [input.section] }),
  history: "move a section",
  run: async ({ input, tx, locked, change, set }) => {
    const before = locked.section(input.section);
    const others = (await orderOfSections(tx, before.collection)).filter((one) => one.id !== before.id);
    const { position, respread: moved } = placeAfter(others, input.after ?? null);
    await set.respread("section", moved, others);
    await change("section", before, { position });
    return { section: { id: before.id, position } };
  },
});
