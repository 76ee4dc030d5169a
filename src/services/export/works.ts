import type { PlacedWork } from "@/core/cite/arranged";
import { typeOf } from "@/core/cite/csl-item";
import type { ItemType } from "@/core/cite/reference";
import type { PublishedItem, PublishedTree } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { worksByPlacement } from "@/data/queries/placements";

/** What changes on the web is cited with the day one looked at it: the day the copy was made, until somebody says another. */
const looked = (type: ItemType, address: string, at: Date | null): { accessed?: string } =>
  at && address && CHANGING.has(type) ? { accessed: at.toISOString().slice(0, 10) } : {};
const CHANGING: ReadonlySet<ItemType> = new Set(["webpage", "post-weblog", "entry-encyclopedia"]);

/** The works that stand in a collection and in those inside it, each once, with what a reference needs of them. */
export async function worksOf(tx: Tx, tree: PublishedTree): Promise<PlacedWork[]> {
  const items = (
    { collection, inside }: PublishedTree,
    above: string,
  ): { item: PublishedItem; section: string }[] => [
    ...collection.sections.flatMap(({ title, items }) =>
      items
        .filter((item) => item.look === "item")
        .map((item) => ({ item, section: [above, title].filter(Boolean).join(" · ") || collection.title })),
    ),
    ...inside.flatMap((one) => items(one, one.collection.title)),
  ];
  const all = items(tree, "");
  const placed = new Map(
    (
      await worksByPlacement(
        tx,
        all.map(({ item }) => item.id),
      )
    ).map((row) => [row.placement, row]),
  );
  const once = new Map<string, PlacedWork>();
  for (const { item, section } of all) {
    const found = placed.get(item.id);
    // Of an edition: it is not in the catalogue any more.
    if (!found) continue;
    const { resource, itemType, language, details, copiedAt } = found;
    const { kind, title, authors, published, address, siteName, tags, context } = item;
    if (!once.has(resource))
      once.set(resource, {
        ...{
          id: resource,
          kind,
          itemType,
          title,
          authors,
          published,
          language,
          address,
          siteName,
          tags,
          context,
        },
        details: { ...looked(typeOf({ itemType, kind }), address, copiedAt), ...details },
        section,
      });
  }
  return [...once.values()];
}
