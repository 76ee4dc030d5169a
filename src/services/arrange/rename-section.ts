import { eq } from "drizzle-orm";
import { touchCollections } from "@/data/queries/resources";
import { section } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, Name } from "../input";
import { can } from "../policy";

class RenameSection {
  @Id() section: string;
  @Name("a name for the section", 200) title: string;
}

export const renameSection = action({
  name: "sections.rename",
  about: "Gives a section another name.",
  input: RenameSection,
  allow: can.arrange("section"),
  run: async ({ input, tx, tell }) => {
    const [before] = await tx.select().from(section).where(eq(section.id, input.section));
    await tx.update(section).set({ title: input.title }).where(eq(section.id, input.section));
    await touchCollections(tx, [before!.collection], now());
    tell({
      subject: input.section,
      collection: before!.collection,
      data: { before: before!.title, after: input.title },
    });
    return { section: { id: input.section, title: input.title } };
  },
});
