import { insideOf } from "@/core/list/tree-moves";
import { placeAfter } from "@/core/order/place";
import { difference } from "@/core/undo/change";
import { collectionTree, findCollection, lockTeam } from "@/data/queries/collections";
import { respread } from "@/data/queries/placements";
import { collection } from "@/data/schema";
import { eq } from "drizzle-orm";
import { action } from "../action";
import { Id, MaybeId } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";
import { mustBeOfTeam } from "../same-team";

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
  run: async ({ input, scope, tx, tell, did }) => {
    const parent = input.parent ?? null;
    // The tree of a team is changed by one at a time, or two moves at once could make a ring.
    await lockTeam(tx, scope.team!);
    if (parent) await mustBeOfTeam(tx, "collection", parent, scope.team);
    const tree = await collectionTree(tx, scope.team!);
    if (parent && insideOf(tree, input.collection).has(parent))
      throw fieldProblem("parent", "A collection cannot stand inside itself.");
    const before = (await findCollection(tx, input.collection))!;
    const mates = tree.filter((one) => one.parent === parent && one.id !== input.collection);
    const after = input.after === undefined ? (mates.at(-1)?.id ?? null) : input.after;
    const { position, respread: moved } = placeAfter(mates, after);
    await respread(tx, collection, moved);
    const change = { parent, position };
    await tx.update(collection).set(change).where(eq(collection.id, input.collection));
    const deed = did("move a collection", [difference("collection", input.collection, before, change)]);
    tell({ subject: input.collection, collection: input.collection });
    return { collection: { id: input.collection, ...change }, deed };
  },
});
