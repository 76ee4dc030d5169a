import type { PublishedTree } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { publishedTree } from "../reader/published-collection";

/** What goes out: a collection with everything inside, or only some of its items. `placements`: their ids, with commas between. */
export async function treeOf(
  tx: Tx,
  { collection, placements }: { collection: string; placements?: string },
): Promise<PublishedTree> {
  const whole = await publishedTree(tx, collection);
  return placements ? onlyThese(whole, new Set(placements.split(","))) : whole;
}

/** The collection with only these items; sections that are left empty go, and so does what stands inside. */
export function onlyThese({ collection }: PublishedTree, ids: ReadonlySet<string>): PublishedTree {
  const sections = collection.sections
    .map((section) => ({ ...section, items: section.items.filter((item) => ids.has(item.id)) }))
    .filter((section) => section.items.length > 0);
  return { collection: { ...collection, sections, inside: [] }, inside: [] };
}

/** A title as the name of a file on any system. */
export function fileName(title: string): string {
  return (
    title
      .replace(/[\\/:*?"<>|\p{Cc}]+/gu, " ")
      .replace(/\s+/g, " ")
      .trim()
      .slice(0, 80) || "collection"
  );
}
