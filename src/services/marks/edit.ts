import { readFragment, writeFragment } from "@/core/marks/fragments";
import { markById } from "@/data/queries/marks";
import { action } from "@/mechanism/action";
import { type Base, Id, MaybeBase, MaybeId, MaybeText } from "@/mechanism/input";
import { mergedWords } from "@/mechanism/merged-words";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { entityOfMark } from "./entity-of-mark";
import { mustBeMeaning } from "./must-be-meaning";

class EditMark {
  @Id() mark: string;
  @MaybeText(4000) note?: string;
  @MaybeId() meaning?: string | null;
  /** Another part: to where a stretch goes. Of a mark that has one. */
  @MaybeText(300) fragment?: string;
  @MaybeBase() base?: Base;
}

export const editMark = action({
  name: "marks.edit",
  about:
    "Changes the note of a mark, what it means, or which part it marks. What two write at one time is merged.",
  input: EditMark,
  allow: can.changeMark(),
  locks: ({ input }) => ({ marks: [input.mark] }),
  history: "change a note in the margin",
  run: async ({ input, scope, tx, locked, change }) => {
    const row = locked.mark(input.mark);
    await mustBeMeaning(tx, scope.team!, input.meaning);
    const words = mergedWords(input.base, { note: { now: row.note, wanted: input.note, most: 4000 } });
    const part = input.fragment ? readFragment(input.fragment) : null;
    if (input.fragment !== undefined && (!part || !row.fragment))
      throw fieldProblem("fragment", "fragment-not-readable");
    if (words.note === "" && !row.quote && !row.fragment) throw fieldProblem("note", "mark-of-nothing");
    const { meaning } = input;
    await change(entityOfMark(row), row, {
      ...words,
      ...(meaning !== undefined && { meaning }),
      ...(part && { fragment: writeFragment(part) }),
    });
    return { mark: (await markById(tx, row.id))!, words: words as Record<string, string> };
  },
});
