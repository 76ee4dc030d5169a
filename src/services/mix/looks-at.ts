import { insideOf } from "@/core/list/tree-moves";
import type { Tx } from "@/data/database";
import { collectionTree } from "@/data/queries/collections";
import type { MixOf } from "@/data/queries/mix";
import { Problem } from "@/mechanism/problem";

/**
 * What is looked at: a collection with everything inside, or the whole catalogue.
 * @throws {Problem} not-found
 */
export async function looksAt(tx: Tx, team: string, collection: string | undefined): Promise<MixOf> {
  if (!collection) return { team, collections: null };
  const tree = await collectionTree(tx, team);
  if (!tree.some(({ id }) => id === collection)) throw new Problem("not-found");
  return { team, collections: [...insideOf(tree, collection)] };
}
