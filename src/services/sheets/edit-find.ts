import { IsBoolean } from "class-validator";
import { findFind, setFind } from "@/data/queries/sheets";
import { action } from "@/mechanism/action";
import { type Base, Id, MaybeBase, MaybeText, Name, Optional } from "@/mechanism/input";
import { mergedWords } from "@/mechanism/merged-words";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { noteWritten, openToWrite } from "./open-to-write";

class EditFind {
  @Name("the code of the card", 24) card: string;
  @Id() handout: string;
  @Id() find: string;
  @MaybeText(300) title?: string;
  @MaybeText(4_000) context?: string;
  /** Taken away; false: back again. */
  @Optional() @IsBoolean() gone?: boolean;
  @MaybeBase() base?: Base;
}

export const editOwnFind = action({
  name: "sheets.edit-find",
  about: "Gives what the learner found other words, takes it away, or brings it back.",
  input: EditFind,
  allow: can.holdCard(),
  // The sheet, which is begun when it is not there; that is seen to together.
  locks: null,
  // It is brought back by itself.
  history: null,
  run: async ({ input, scope, tx, at, set }) => {
    const { sheet } = await openToWrite(tx, scope, input.handout, at, true);
    const row = await findFind(tx, input.find);
    if (!row || row.sheet !== sheet.id) throw new Problem("not-found");
    const words = mergedWords(input.base, {
      title: { now: row.title, wanted: input.title, most: 300 },
      context: { now: row.context, wanted: input.context, most: 4_000 },
    });
    const gone = input.gone === undefined ? {} : { deletedAt: input.gone ? at : null };
    if (Object.keys({ ...words, ...gone }).length) {
      await setFind(tx, row.id, { ...words, ...gone });
      await noteWritten(tx, set, sheet, at);
    }
    return { find: row.id };
  },
});
