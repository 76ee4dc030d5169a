import { type Look, LOOKS } from "@/core/list/view-setting";
import { findResource } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { Id, MaybeOneOf, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

class EditPlacement {
  @Id() placement: string;
  @MaybeText(300) heading?: string;
  @MaybeText(4000) context?: string;
  /** A note may stand as text between the items. */
  @MaybeOneOf(LOOKS) look?: Look;
}

export const editPlacement = action({
  name: "placements.edit",
  about: "Gives an item a heading of its own or a context line, in the place where it stands.",
  input: EditPlacement,
  allow: can.arrange("placement"),
  locks: ({ input }) => ({ placements: [input.placement] }),
  history: ({ input }) =>
    input.look !== undefined
      ? "change how a note stands"
      : input.heading !== undefined
        ? "write a heading"
        : "write a context line",
  run: async ({ input, tx, locked, change }) => {
    const before = locked.placement(input.placement);
    if (input.look === "text" && (await findResource(tx, before.resource))?.kind !== "note")
      throw fieldProblem("look", "between-only-notes");
    const { heading, context, look } = input;
    await change("placement", before, { heading, context, look });
    return {
      placement: {
        id: before.id,
        heading: heading ?? before.heading,
        context: context ?? before.context,
        look: look ?? before.look,
      },
    };
  },
});
