import { insideOf } from "@/core/list/tree-moves";
import { collectionTree } from "@/data/queries/collections";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveCollection {
  @Id() collection: string;
}

export const removeCollection = action({
  name: "collections.remove",
  about:
    "Puts a collection and those inside it into the bin. Shared links stop working until it is restored.",
  input: RemoveCollection,
  allow: can.arrange("collection"),
  // The tree; the collections of it that are meant are locked together, in their order.
  locks: () => ({ team: true }),
  history: "delete a collection",
  run: async ({ input, scope, tx, remove }) => {
    const all = [...insideOf(await collectionTree(tx, scope.team!), input.collection)];
    // One moment for all of them: restoring brings back what went together.
    await remove(
      "collection",
      all.map((id) => ({ id })),
      { say: { count: all.length } },
    );
    return { removed: input.collection, inside: all.length - 1 };
  },
});
