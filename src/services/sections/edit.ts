import { IsBoolean, IsInt, Max, Min, ValidateIf } from "class-validator";
import { action } from "@/mechanism/action";
import { type Base, Id, MaybeBase, MaybeText, Optional } from "@/mechanism/input";
import { markedText, mergedWords } from "@/mechanism/merged-words";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

class EditSection {
  @Id() section: string;
  @MaybeText(200) title?: string;
  /** HTML; what is not words and their marks is taken out. */
  @MaybeText(20_000) intro?: string;
  /** Of a phase of a lesson: how long it takes; null: nobody has said. */
  @Optional() @ValidateIf((_, value) => value !== null) @IsInt() @Min(0) @Max(1_440) minutes?: number | null;
  /** What the teacher does in it; readers, who are learners, are not shown it. */
  @MaybeText(8_000) teacher?: string;
  @MaybeText(8_000) learners?: string;
  /** Whether it is for whoever has time left, and counts to no time that is set. */
  @Optional() @IsBoolean() beyond?: boolean;
  @MaybeBase() base?: Base;
}

export const editSection = action({
  name: "sections.edit",
  about:
    "Gives a section another name or an introduction; of a lesson, says what happens in it and how long it takes.",
  input: EditSection,
  allow: can.arrangeHere("section"),
  locks: ({ input }) => ({ sections: [input.section] }),
  history: ({ input }) =>
    input.title !== undefined
      ? "rename a section"
      : input.intro !== undefined
        ? "introduce a section"
        : input.beyond !== undefined
          ? "say whether a section counts to the time"
          : "change a phase",
  run: async ({ input, locked, change }) => {
    if (input.title === "") throw fieldProblem("title", "section-name-missing");
    const before = locked.section(input.section);
    const words = mergedWords(input.base, {
      title: { now: before.title, wanted: input.title, most: 200 },
      intro: markedText(before.intro, input.intro),
      teacher: { now: before.teacher, wanted: input.teacher, most: 8_000 },
      learners: { now: before.learners, wanted: input.learners, most: 8_000 },
    });
    const fields = {
      ...words,
      ...(input.minutes !== undefined && { minutes: input.minutes }),
      ...(input.beyond !== undefined && { beyond: input.beyond }),
    };
    const section = { ...before, ...fields };
    await change("section", before, fields, { say: { title: section.title } });
    return { section };
  },
});
