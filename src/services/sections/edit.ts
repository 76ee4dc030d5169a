import { sanitise } from "@/core/text/sanitise";
import { action } from "@/mechanism/action";
import { Id, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

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
  locks: ({ input }) => ({ sections: [input.section] }),
  history: ({ input }) => (input.title !== undefined ? "rename a section" : "introduce a section"),
  run: async ({ input, locked, change }) => {
    if (input.title === "") throw fieldProblem("title", "section-name-missing");
    const before = locked.section(input.section);
    const { title = before.title } = input;
    const intro = input.intro === undefined ? undefined : sanitise(input.intro);
    await change("section", before, { title: input.title, intro }, { say: { title } });
    return { section: { ...before, title, intro: intro ?? before.intro } };
  },
});
