import { IsBoolean, IsInt, Max, Min } from "class-validator";
import { asQuotation, SELECTOR_SCHEMA } from "@/core/imports/quotation";
import { readFragment, writeFragment } from "@/core/marks/fragments";
import { findText } from "@/data/queries/texts-and-files";
import { markById } from "@/data/queries/marks";
import { action } from "@/mechanism/action";
import { Id, MaybeDescribed, MaybeId, MaybeText, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { mustBeMeaning } from "./must-be-meaning";
import { entityOfMark } from "./entity-of-mark";
import { placeJob } from "./place";

/** The longest text a copy may be, in characters. */
const LONGEST_TEXT = 30_000_000;

class AddMark {
  @Id() resource: string;
  @IsBoolean() private: boolean;
  @MaybeId() mark?: string;
  /** The words that are marked; without them the note is on the whole. */
  @MaybeDescribed(SELECTOR_SCHEMA) selector?: unknown;
  /** Where they stand (TextPositionSelector) in the copy that is read. */
  @Optional() @IsInt() @Min(0) @Max(LONGEST_TEXT) start?: number;
  @Optional() @IsInt() @Min(0) @Max(LONGEST_TEXT) end?: number;
  /** The number of that copy. */
  @Optional() @IsInt() @Min(0) @Max(LONGEST_TEXT) version?: number;
  @MaybeText(4000) note?: string;
  /** Which part of a film, a sound, a picture or a page, as Media Fragments and RFC 8118 write it. */
  @MaybeText(300) fragment?: string;
  @MaybeId() meaning?: string | null;
}

export const addMark = action({
  name: "marks.add",
  about:
    "Marks a passage of a reading copy, a second of a film or a part of a picture, or writes a note on the whole; for oneself or for the team. An id sent twice marks once.",
  input: AddMark,
  allow: can.annotate(),
  locks: ({ input }) => ({ alive: [input.resource], marks: [input.mark] }),
  history: ({ input }) =>
    input.selector ? "mark a passage" : input.fragment ? "mark a place" : "write a note",
  run: async ({ input, scope, tx, at, add, enqueue }) => {
    const { resource, note = "", start, end } = input;
    const { exact: quote, prefix, suffix } = asQuotation(input.selector, "");
    const part = input.fragment ? readFragment(input.fragment) : null;
    if (input.fragment && !part) throw fieldProblem("fragment", "fragment-not-readable");
    const fragment = part ? writeFragment(part) : "";
    if (!quote && !fragment && !note.trim()) throw fieldProblem("note", "mark-of-nothing");
    await mustBeMeaning(tx, scope.team!, input.meaning);
    const there = input.mark && (await markById(tx, input.mark));
    if (there && (there.resource !== resource || there.by.id !== scope.person)) throw new Problem("id-taken");
    if (there) return { mark: there };
    // Words that are typed off a picture stand in no text.
    const text = quote && !fragment ? await findText(tx, resource) : null;
    // Where it stands in the copy in use is known; anything else is found by its words.
    const isPlaced =
      text && input.version === text.number && start !== undefined && end !== undefined && end > start;
    const row = {
      ...{ id: input.mark ?? newId(), team: scope.team!, resource, person: scope.person! },
      ...{ private: input.private, meaning: input.meaning ?? null },
      ...{ quote, prefix, suffix, fragment, note: note.trim() },
      ...{ version: text ? (input.version ?? text.number) : null },
      ...(isPlaced ? { start, end, sure: 100 } : { start: null, end: null, sure: null }),
      ...{ createdAt: at, updatedAt: at },
    };
    await add(entityOfMark(row), row);
    if (quote && !fragment && !isPlaced) enqueue(placeJob(resource, scope.team!, at));
    return { mark: (await markById(tx, row.id))! };
  },
});
