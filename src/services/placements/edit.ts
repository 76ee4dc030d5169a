import { IsBoolean } from "class-validator";
import { type Look, LOOKS } from "@/core/list/view-setting";
import { findResource } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { type Base, Id, MaybeBase, MaybeOneOf, MaybeText, Optional } from "@/mechanism/input";
import { mergedWords } from "@/mechanism/merged-words";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

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
}

export const editPlacement = action({
  name: "placements.edit",
  about: "Gives an item a heading of its own or a context line, in the place where it stands.",
  input: EditPlacement,
  allow: can.arrange("placement"),
  locks: ({ input }) => ({ placements: [input.placement] }),
  history: ({ input }) =>
    input.givesCopy !== undefined
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
            : "write a context line",
  run: async ({ input, tx, locked, change }) => {
    const before = locked.placement(input.placement);
    if (input.look === "text" && (await findResource(tx, before.resource))?.kind !== "note")
      throw fieldProblem("look", "between-only-notes");
    const words = mergedWords(input.base, {
      heading: { now: before.heading, wanted: input.heading, most: 300 },
      context: { now: before.context, wanted: input.context, most: 4000 },
    });
    const said = {
      look: input.look ?? before.look,
      forReaders: input.forReaders ?? before.forReaders,
      givesCopy: input.givesCopy ?? before.givesCopy,
    };
    await change("placement", before, {
      ...words,
      look: input.look,
      forReaders: input.forReaders,
      givesCopy: input.givesCopy,
    });
    const { id, heading, context } = before;
    return { placement: { id, heading, context, ...said, ...words } };
  },
});
