import { inArray } from "drizzle-orm";
import { insideOf } from "@/core/list/tree-moves";
import { collectionTree, lockTeam } from "@/data/queries/collections";
import { collection } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RemoveCollection {
  @Id() collection: string;
}

export const removeCollection = action({
  name: "collections.remove",
  about:
    "Puts a collection and those inside it into the bin. Shared links stop working until it is restored.",
  input: RemoveCollection,
  allow: can.arrange("collection"),
  run: async ({ input, scope, tx, tell, did }) => {
    await lockTeam(tx, scope.team!);
    const tree = await collectionTree(tx, scope.team!);
    const all = [...insideOf(tree, input.collection)];
    // One moment for all of them: restoring brings back what went together.
    await tx.update(collection).set({ deletedAt: now() }).where(inArray(collection.id, all));
    tell({ subject: input.collection, collection: input.collection, data: { count: all.length } });
    const deed = did(
      "delete a collection",
      all.map((id) => ({ thing: "collection", id, before: { gone: false }, after: { gone: true } })),
    );
    return { deed, removed: input.collection, inside: all.length - 1 };
  },
});
