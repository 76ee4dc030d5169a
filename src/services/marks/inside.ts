import { insideOf } from "@/core/list/tree-moves";
import { collectionTree } from "@/data/queries/collections";
import { marksInside } from "@/data/queries/marks";
import type { Tx } from "@/data/database";

/** The marks on whatever stands in a collection and in those inside it, as a person may see them. */
export async function marksOfCollection(tx: Tx, team: string, collection: string, person: string) {
  const tree = await collectionTree(tx, team);
  return marksInside(tx, [...insideOf(tree, collection)], person);
}
