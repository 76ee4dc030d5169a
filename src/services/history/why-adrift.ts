import { standsInTree } from "@/core/list/tree-moves";
import type { Change, EntityType } from "@/core/history/change";
import type { Tx } from "@/data/database";
import { collectionTree } from "@/data/queries/collections";
import { isAnyCollectionIn, isAnyItemAdrift, isAnythingIn } from "@/data/queries/adrift";

/**
 * Why what these changes are about would stand nowhere, now that they are made: what it stood in has gone since, or
 * something else stands in what they take away. Null when everything has its place.
 */
export async function whyAdrift(tx: Tx, team: string, changes: readonly Change[]): Promise<string | null> {
  const of = (type: EntityType, which: (after: Record<string, unknown>) => boolean) =>
    changes.filter((one) => one.type === type && one.after && which(one.after)).map((one) => one.id);
  const goes = ({ gone }: Record<string, unknown>) => gone === true;
  const comes = (after: Record<string, unknown>) =>
    after.gone === false || ["parent", "section", "collection"].some((name) => name in after);
  const items = of("placement", comes);
  if (items.length && (await isAnyItemAdrift(tx, items))) return "What it stood in is not there any more.";
  const sections = of("section", goes);
  if (sections.length && (await isAnythingIn(tx, sections)))
    return "Something else stands in the section by now.";
  const gone = of("collection", goes);
  if (gone.length && (await isAnyCollectionIn(tx, gone))) return "Another collection stands in it by now.";
  const collections = of("collection", comes);
  if (!collections.length) return null;
  const tree = await collectionTree(tx, team);
  return collections.every((id) => standsInTree(tree, id))
    ? null
    : "Where it stood is in the bin by now, or inside itself.";
}
