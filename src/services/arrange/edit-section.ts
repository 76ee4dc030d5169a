import { eq } from "drizzle-orm";
import { sanitise } from "@/core/text/sanitise";
import { difference } from "@/core/undo/change";
import { touchCollections } from "@/data/queries/resources";
import { section } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, MaybeText } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";

class EditSection {
  @Id() section: string;
  @MaybeText(200) title?: string;
  /** HTML; what is not words and their marks is taken out. */
  @MaybeText(20_000) intro?: string;
}

export const editSection = action({
  name: "sections.edit",
  about: "Gives a section another name or an introduction.",
  input: EditSection,
  allow: can.arrange("section"),
  run: async ({ input, tx, tell, did }) => {
    if (input.title === "") throw fieldProblem("title", "Give a name for the section.");
    const [before] = await tx.select().from(section).where(eq(section.id, input.section));
    const change = {
      ...(input.title !== undefined && { title: input.title }),
      ...(input.intro !== undefined && { intro: sanitise(input.intro) }),
    };
    if (!Object.keys(change).length) return { section: before! };
    await tx.update(section).set(change).where(eq(section.id, input.section));
    await touchCollections(tx, [before!.collection], now());
    did(input.title !== undefined ? "rename a section" : "introduce a section", [
      difference("section", input.section, before!, change),
    ]);
    tell({ subject: input.section, collection: before!.collection, data: { title: change.title } });
    return { section: { ...before!, ...change } };
  },
});
