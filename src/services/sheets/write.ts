import { IsBoolean } from "class-validator";
import { itemsIn, withInside } from "@/core/editions/content";
import { itemOn, putItem, type SheetItemRow } from "@/data/queries/sheets";
import { action } from "@/mechanism/action";
import { Id, MaybeBase, type Base, MaybeText, Name, Optional } from "@/mechanism/input";
import { mergedWords } from "@/mechanism/merged-words";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { noteWritten, openToWrite } from "./open-to-write";
import { editionContent } from "./view-of";

class WriteOnSheet {
  @Name("the code of the card", 24) card: string;
  @Id() handout: string;
  /** As the handout names it. */
  @Id() item: string;
  @Optional() @IsBoolean() done?: boolean;
  /** Why it stands here, in the learner's words; empty: as it was given. */
  @MaybeText(4_000) context?: string;
  @MaybeText(10_000) answer?: string;
  @MaybeText(10_000) note?: string;
  /** The learner has seen what was given since, and theirs shall stay. */
  @Optional() @IsBoolean() keeps?: boolean;
  @MaybeBase() base?: Base;
}

export const writeOnSheet = action({
  name: "sheets.write",
  about:
    "Ticks an item of a handout, or writes at it: why it stands here in one's own words, an answer, a note. What was written on another device meanwhile is merged.",
  input: WriteOnSheet,
  allow: can.holdCard(),
  // The sheet, which is begun when it is not there; that is seen to together.
  locks: null,
  // The field itself takes back what was typed.
  history: null,
  run: async ({ input, scope, tx, at, set }) => {
    const { item, done, context, answer, note, keeps } = input;
    const words = [context, answer, note].some((one) => one !== undefined);
    const { handout, sheet } = await openToWrite(tx, scope, input.handout, at, words);
    const there = await itemOn(tx, sheet.id, item);
    const given = withInside((await editionContent(tx, handout.edition))!)
      .flatMap(itemsIn)
      .find((one) => one.id === item);
    if (!there && (!given || given.look !== "item")) throw new Problem("not-found");
    const row: SheetItemRow = there ?? {
      ...{ sheet: sheet.id, item, edition: handout.edition, done: false },
      ...{ context: null, contextFrom: null, answer: "", note: "" },
    };
    const began = [input.base?.context ?? given?.context ?? ""].flat().at(-1)!;
    const merged = mergedWords(input.base, {
      // What was given is nobody's other words: it stands beside theirs when it becomes other.
      context: { now: row.context ?? began, wanted: context, most: 4_000 },
      answer: { now: row.answer, wanted: answer, most: 10_000 },
      note: { now: row.note, wanted: note, most: 10_000 },
    });
    const next = {
      ...row,
      ...(done !== undefined && { done }),
      ...(merged.answer !== undefined && { answer: merged.answer }),
      ...(merged.note !== undefined && { note: merged.note }),
      ...ownContext(row, merged.context, began, given?.context),
      ...(given && { edition: handout.edition }),
    };
    if (keeps && next.context !== null && given) next.contextFrom = given.context;
    await putItem(tx, next);
    await noteWritten(tx, set, sheet, at);
    return {
      item: { id: item, done: next.done, context: next.context, answer: next.answer, note: next.note },
    };
  },
});

/** Words of one's own, and what was given when they were begun; what is empty, or as it was given, is none. */
function ownContext(
  row: SheetItemRow,
  wanted: string | undefined,
  began: string,
  given: string | undefined,
): Partial<SheetItemRow> {
  if (wanted === undefined) return {};
  if (wanted === "" || (row.context === null && wanted === given))
    return { context: null, contextFrom: null };
  return { context: wanted, contextFrom: row.context === null ? began : row.contextFrom };
}
