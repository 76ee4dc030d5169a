import { and, eq, isNull } from "drizzle-orm";
import { lockCollection } from "@/data/queries/collections";
import { touchCollections } from "@/data/queries/resources";
import { placement, section } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RemoveSection {
  @Id() section: string;
}

export const removeSection = action({
  name: "sections.remove",
  about: "Puts a section and the items in it into the bin.",
  input: RemoveSection,
  allow: can.arrange("section"),
  run: async ({ input, tx, tell, did }) => {
    const at = now();
    const [{ collection } = { collection: "" }] = await tx
      .select()
      .from(section)
      .where(eq(section.id, input.section));
    // Nobody puts anything into it meanwhile.
    await lockCollection(tx, collection);
    await tx.update(section).set({ deletedAt: at }).where(eq(section.id, input.section));
    const items = await tx
      .select({ id: placement.id })
      .from(placement)
      .where(and(eq(placement.section, input.section), isNull(placement.deletedAt)));
    // The same moment marks the items that went with it and come back with it.
    await tx
      .update(placement)
      .set({ deletedAt: at })
      .where(and(eq(placement.section, input.section), isNull(placement.deletedAt)));
    await touchCollections(tx, [collection], at);
    tell({ subject: input.section, collection });
    const gone = { before: { gone: false }, after: { gone: true } };
    const deed = did("delete a section", [
      { thing: "section", id: input.section, ...gone },
      ...items.map(({ id }) => ({ thing: "placement" as const, id, ...gone })),
    ]);
    return { removed: input.section, deed };
  },
});
