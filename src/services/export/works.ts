import type { Work } from "@/core/cite/csl-item";
import type { PublishedItem, PublishedTree } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { worksByPlacement } from "@/data/queries/placements";

/** The works that stand in a collection and in those inside it, each once, with what a reference needs of them. */
export async function worksOf(tx: Tx, tree: PublishedTree): Promise<Work[]> {
  const items = ({ collection, inside }: PublishedTree): PublishedItem[] => [
    ...collection.sections.flatMap((section) => section.items),
    ...inside.flatMap(items),
  ];
  const all = items(tree);
  const details = new Map(
    (
      await worksByPlacement(
        tx,
        all.map((item) => item.id),
      )
    ).map((row) => [row.placement, row]),
  );
  const once = new Map<string, Work>();
  for (const item of all) {
    const { resource, itemType, language, details: fields } = details.get(item.id)!;
    if (!once.has(resource))
      once.set(resource, { ...item, id: resource, itemType, language, details: fields });
  }
  return [...once.values()];
}
