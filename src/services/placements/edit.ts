import { IsBoolean, IsInt, Max, Min, ValidateIf } from "class-validator";
import { LONGEST_TASK } from "@/core/fit/load";
import { LONGEST } from "@/core/publish/clip";
import { type Look, LOOKS } from "@/core/list/view-setting";
import { findResource } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { type Base, Id, MaybeBase, MaybeOneOf, MaybeText, Optional } from "@/mechanism/input";
import { mergedWords } from "@/mechanism/merged-words";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { publicAt } from "../shelves/public-at";

class EditPlacement {
  @Id() placement: string;
  @MaybeText(300) heading?: string;
  @MaybeText(4000) context?: string;
  @MaybeBase() base?: Base;
  /** A note may stand as text between the items. */
  @MaybeOneOf(LOOKS) look?: Look;
  /** Whether those see it who are not of the team. */
  @Optional() @IsBoolean() forReaders?: boolean;
  /** Whether they are given the reading copy beside the original. */
  @Optional() @IsBoolean() givesCopy?: boolean;
  /** Of an item that leads to a public collection of this Hobbin: whether that is shown here as it stands there. */
  @Optional() @IsBoolean() shownLive?: boolean;
  /** Of a film or a sound, from which second to which it is meant here; null: from its beginning, to its end. */
  @Optional() @ValidateIf((_, value) => value !== null) @IsInt() @Min(0) @Max(LONGEST) clipFrom?:
    number | null;
  @Optional() @ValidateIf((_, value) => value !== null) @IsInt() @Min(1) @Max(LONGEST) clipTo?: number | null;
  /** How many minutes are meant for what is done with it; null: none. */
  @Optional() @ValidateIf((_, value) => value !== null) @IsInt() @Min(1) @Max(LONGEST_TASK) taskMinutes?:
    number | null;
  /** Whether it stays, whatever has to go to keep to the time. */
  @Optional() @IsBoolean() mustStay?: boolean;
}

export const editPlacement = action({
  name: "placements.edit",
  about: "Gives an item a heading of its own or a context line, in the place where it stands.",
  input: EditPlacement,
  allow: can.arrangeHere("placement"),
  locks: ({ input }) => ({ placements: [input.placement] }),
  history: ({ input }) =>
    input.shownLive !== undefined
      ? input.shownLive
        ? "show theirs here"
        : "show the link alone"
      : input.givesCopy !== undefined
        ? input.givesCopy
          ? "give readers the reading copy"
          : "give readers the original alone"
        : input.forReaders !== undefined
          ? input.forReaders
            ? "show an item to readers"
            : "keep an item from readers"
          : input.look !== undefined
            ? "change how a note stands"
            : input.heading !== undefined
              ? "write a heading"
              : input.clipFrom !== undefined || input.clipTo !== undefined
                ? "say which part is meant"
                : input.taskMinutes !== undefined
                  ? "say how long is worked with it"
                  : input.mustStay !== undefined
                    ? input.mustStay
                      ? "say that an item must stay"
                      : "say that an item may go"
                    : "write a context line",
  run: async ({ input, tx, at, locked, change }) => {
    const before = locked.placement(input.placement);
    const resource = (await findResource(tx, before.resource))!;
    if (input.look === "text" && resource.kind !== "note") throw fieldProblem("look", "between-only-notes");
    const shownLive = input.shownLive
      ? await publicAt(tx, resource.address, before.collection, at)
      : input.shownLive === false
        ? null
        : undefined;
    const words = mergedWords(input.base, {
      heading: { now: before.heading, wanted: input.heading, most: 300 },
      context: { now: before.context, wanted: input.context, most: 4000 },
    });
    const clip = {
      clipFrom: input.clipFrom === undefined ? before.clipFrom : input.clipFrom,
      clipTo: input.clipTo === undefined ? before.clipTo : input.clipTo,
    };
    if (clip.clipTo !== null && clip.clipTo <= (clip.clipFrom ?? 0))
      throw fieldProblem("clipTo", "ends-before");
    const said = {
      ...clip,
      look: input.look ?? before.look,
      forReaders: input.forReaders ?? before.forReaders,
      givesCopy: input.givesCopy ?? before.givesCopy,
      shownLive: shownLive === undefined ? before.shownLive : shownLive,
      taskMinutes: input.taskMinutes === undefined ? before.taskMinutes : input.taskMinutes,
      mustStay: input.mustStay ?? before.mustStay,
    };
    await change("placement", before, {
      ...words,
      look: input.look,
      forReaders: input.forReaders,
      givesCopy: input.givesCopy,
      shownLive,
      taskMinutes: input.taskMinutes,
      mustStay: input.mustStay,
      ...clip,
    });
    const { id, heading, context } = before;
    return { placement: { id, heading, context, ...said, ...words } };
  },
});
