import { eq } from "drizzle-orm";
import { type Look, LOOKS } from "@/core/list/view-setting";
import { difference } from "@/core/undo/change";
import { findPlacement } from "@/data/queries/placements";
import { findResource, touchCollections } from "@/data/queries/resources";
import { placement } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, MaybeOneOf, MaybeText } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";

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
  run: async ({ input, tx, tell, did }) => {
    const before = (await findPlacement(tx, input.placement))!;
    if (input.look === "text" && (await findResource(tx, before.resource))?.kind !== "note")
      throw fieldProblem("look", "Only a note can stand as text.");
    const change = {
      ...(input.heading !== undefined && { heading: input.heading }),
      ...(input.context !== undefined && { context: input.context }),
      ...(input.look !== undefined && { look: input.look }),
    };
    await tx
      .update(placement)
      .set({ ...change, updatedAt: now() })
      .where(eq(placement.id, input.placement));
    await touchCollections(tx, [before.collection], now());
    tell({
      subject: input.placement,
      collection: before.collection,
      data: {
        before: { heading: before.heading, context: before.context, look: before.look },
        after: change,
      },
    });
    const what =
      input.look !== undefined
        ? "change how a note stands"
        : input.heading !== undefined
          ? "write a heading"
          : "write a context line";
    did(what, [difference("placement", input.placement, before, change)]);
    return {
      placement: {
        id: input.placement,
        heading: before.heading,
        context: before.context,
        look: before.look,
        ...change,
      },
    };
  },
});
