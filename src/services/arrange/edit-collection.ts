import { eq, sql } from "drizzle-orm";
import { difference } from "@/core/undo/change";
import { findCollection } from "@/data/queries/collections";
import { collection } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, MaybeText } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";

class EditCollection {
  @Id() collection: string;
  @MaybeText(200) title?: string;
  @MaybeText(4000) description?: string;
}

export const editCollection = action({
  name: "collections.edit",
  about: "Renames a collection or describes it. Addresses and codes that lead to it stay.",
  input: EditCollection,
  allow: can.arrange("collection"),
  run: async ({ input, tx, tell, did }) => {
    if (input.title === "") throw fieldProblem("title", "Give a title.");
    const before = (await findCollection(tx, input.collection))!;
    const change = {
      ...(input.title !== undefined && { title: input.title }),
      ...(input.description !== undefined && { description: input.description }),
    };
    await tx
      .update(collection)
      .set({ ...change, version: sql`${collection.version} + 1`, updatedAt: now() })
      .where(eq(collection.id, input.collection));
    tell({
      subject: input.collection,
      collection: input.collection,
      data: { before: { title: before.title, description: before.description }, after: change },
    });
    did(input.title !== undefined ? "rename the collection" : "describe the collection", [
      difference("collection", input.collection, before, change),
    ]);
    return {
      collection: { id: input.collection, title: before.title, description: before.description, ...change },
    };
  },
});
