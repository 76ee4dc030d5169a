import { insideOf } from "@/core/list/tree-moves";
import { placeAfter } from "@/core/order/place";
import { collectionTree } from "@/data/queries/collections";
import { orderOfCollections } from "@/data/queries/order";
import { action } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

class MoveCollection {
  @Id() collection: string;
  /** The collection to stand in; null for the top of the team. */
  @MaybeId() parent?: string | null;
  /** The neighbour to stand behind; null for the first place, left out for the last. */
  @MaybeId() after?: string | null;
}

export const moveCollection = action({
  name: "collections.move",
  about: "Puts a collection, with those inside it, into another one or behind a neighbour. Links to it stay.",
  input: MoveCollection,
  allow: can.arrange("collection"),
  // The tree of a team is changed by one at a time, or two moves at once could make a ring.
  locks: ({ input }) => ({ team: true, collections: [input.collection, input.parent] }),
  history: "move a collection",
  run: async ({ input, scope, tx, locked, change, set }) => {
    const parent = input.parent ?? null;
    if (parent) locked.mustBeOfTeam("collection", parent, scope.team);
    const tree = await collectionTree(tx, scope.team!);
    if (parent && insideOf(tree, input.collection).has(parent))
      throw fieldProblem("parent", "collection-inside-itself");
    const before = locked.collection(input.collection);
    const mates = (await orderOfCollections(tx, scope.team!, parent)).filter((one) => one.id !== before.id);
    const after = input.after === undefined ? (mates.at(-1)?.id ?? null) : input.after;
    const { position, respread: moved } = placeAfter(mates, after);
    await set.respread("collection", moved, mates);
    await change("collection", before, { parent, position });
    return { collection: { id: before.id, parent, position } };
  },
});
