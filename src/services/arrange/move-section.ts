import { eq } from "drizzle-orm";
import { placeAfter } from "@/core/order/place";
import { difference } from "@/core/undo/change";
import { lockCollection, sectionsOf } from "@/data/queries/collections";
import { respread } from "@/data/queries/placements";
import { touchCollections } from "@/data/queries/resources";
import { section } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, MaybeId } from "../input";
import { can } from "../policy";

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
  run: async ({ input, tx, tell, did }) => {
    const [before] = await tx.select().from(section).where(eq(section.id, input.section));
    const { collection } = before!;
    await lockCollection(tx, collection);
    const others = (await sectionsOf(tx, collection)).filter((one) => one.id !== input.section);
    const { position, respread: moved } = placeAfter(others, input.after ?? null);
    await respread(tx, section, moved);
    await tx.update(section).set({ position }).where(eq(section.id, input.section));
    await touchCollections(tx, [collection], now());
    tell({ subject: input.section, collection });
    did("move a section", [difference("section", input.section, before!, { position })]);
    return { section: { id: input.section, position } };
  },
});
