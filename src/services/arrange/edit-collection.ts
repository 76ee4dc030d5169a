import { eq, sql } from "drizzle-orm";
import { type View, VIEWS } from "@/core/list/view-setting";
import { plainText } from "@/core/text/plain";
import { sanitise } from "@/core/text/sanitise";
import { difference } from "@/core/undo/change";
import { findCollection } from "@/data/queries/collections";
import { collection } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { findTeamOfPicture } from "@/data/queries/belonging";
import { Id, MaybeOneOf, MaybeText } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";

class EditCollection {
  @Id() collection: string;
  @MaybeText(200) title?: string;
  @MaybeText(4000) description?: string;
  /** The description with bold, italics, lists and links, as HTML; its plain words become the description. */
  @MaybeText(20_000) rich?: string;
  /** Hash of a picture of the team for its cover; empty to weave it from what it holds. */
  @MaybeText(64) coverHash?: string;
  /** The view readers are given first. */
  @MaybeOneOf(VIEWS) view?: View;
}

export const editCollection = action({
  name: "collections.edit",
  about: "Renames a collection or describes it. Addresses and codes that lead to it stay.",
  input: EditCollection,
  allow: can.arrange("collection"),
  run: async ({ input, scope, tx, tell, did }) => {
    if (input.title === "") throw fieldProblem("title", "Give a title.");
    const before = (await findCollection(tx, input.collection))!;
    const rich = input.rich === undefined ? null : sanitise(input.rich);
    const change = {
      ...(input.title !== undefined && { title: input.title }),
      ...(input.description !== undefined && { description: input.description, rich: "" }),
      ...(rich !== null && { rich, description: plainText(rich).slice(0, 4000) }),
      ...(input.coverHash !== undefined && { coverHash: input.coverHash || null }),
      ...(input.view !== undefined && { view: input.view }),
    };
    if (change.coverHash && !(await findTeamOfPicture(tx, change.coverHash, scope.person!)))
      throw fieldProblem("coverHash", "There is no such picture in the catalogue.");
    await tx
      .update(collection)
      .set({ ...change, version: sql`${collection.version} + 1`, updatedAt: now() })
      .where(eq(collection.id, input.collection));
    tell({
      subject: input.collection,
      collection: input.collection,
      data: { before: { title: before.title, description: before.description }, after: change },
    });
    did(input.title !== undefined ? "rename the collection" : "change the collection", [
      difference("collection", input.collection, before, change),
    ]);
    return {
      collection: { id: input.collection, title: before.title, description: before.description, ...change },
    };
  },
});
