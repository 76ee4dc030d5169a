import { and, eq } from "drizzle-orm";
import { lockCollection } from "@/data/queries/collections";
import { touchCollections } from "@/data/queries/resources";
import { placement, section } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RestoreSection {
  @Id() section: string;
}

export const restoreSection = action({
  name: "bin.restore-section",
  about: "Puts a section back, with the items that went with it.",
  input: RestoreSection,
  allow: can.restore("section"),
  run: async ({ input, tx, tell }) => {
    const [row] = await tx.select().from(section).where(eq(section.id, input.section));
    if (!row?.deletedAt) return { restored: input.section };
    await lockCollection(tx, row.collection);
    await tx.update(section).set({ deletedAt: null }).where(eq(section.id, row.id));
    await tx
      .update(placement)
      .set({ deletedAt: null })
      .where(and(eq(placement.section, row.id), eq(placement.deletedAt, row.deletedAt)));
    await touchCollections(tx, [row.collection], now());
    tell({ subject: row.id, collection: row.collection });
    return { restored: row.id };
  },
});
