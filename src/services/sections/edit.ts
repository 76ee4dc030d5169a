import { action } from "@/mechanism/action";
import { type Base, Id, MaybeBase, MaybeText } from "@/mechanism/input";
import { markedText, mergedWords } from "@/mechanism/merged-words";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

class EditSection {
  @Id() section: string;
  @MaybeText(200) title?: string;
  /** HTML; what is not words and their marks is taken out. */
  @MaybeText(20_000) intro?: string;
  @MaybeBase() base?: Base;
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
    const words = mergedWords(input.base, {
      title: { now: before.title, wanted: input.title, most: 200 },
      intro: markedText(before.intro, input.intro),
    });
    const section = { ...before, ...words };
    await change("section", before, words, { say: { title: section.title } });
    return { section };
  },
});
