import type { BookCopy } from "@/core/formats/printed/epub-write";
import { forPrint } from "@/core/formats/printed/for-print";
import type { PublishedItem, PublishedTree } from "@/core/publish/model";
import { withoutFormulas } from "@/core/text/formulas";
import { safeAddress } from "@/core/text/blocks";
import type { Tx } from "@/data/database";
import { copiesByPlacement } from "@/data/queries/placements";
import { Problem } from "@/mechanism/problem";

/** Letters of all copies of a book together; nobody's reader opens a longer one. */
const MOST = 60_000_000;
/** So many are read at once. */
const AT_ONCE = 50;

const itemsIn = ({ collection, inside }: PublishedTree): PublishedItem[] => [
  ...collection.sections.flatMap((section) => section.items),
  ...inside.flatMap(itemsIn),
];

/**
 * The reading copies of what stands in a collection, each text once.
 * @throws {Problem} export-too-large
 */
export async function copiesOf(tx: Tx, tree: PublishedTree): Promise<BookCopy[]> {
  const items = itemsIn(tree).filter((item) => item.look === "item");
  const copies: BookCopy[] = [];
  const seen = new Set<string>();
  let letters = 0;
  for (let i = 0; i < items.length; i += AT_ONCE) {
    const some = items.slice(i, i + AT_ONCE);
    const found = await copiesByPlacement(
      tx,
      some.map(({ id }) => id),
    );
    const byItem = new Map(found.map((row) => [row.placement, row]));
    for (const item of some) {
      const row = byItem.get(item.id);
      if (!row?.html || seen.has(row.resource)) continue;
      seen.add(row.resource);
      letters += row.html.length;
      if (letters > MOST) throw new Problem("export-too-large");
      const title = forPrint(item.heading || item.title) || "Untitled";
      const { language, at } = row;
      // Readers of books that set no formulas show nothing of them, and those that do are strict about them.
      const html = withoutFormulas(row.html);
      const day = at.toISOString().slice(0, 10);
      copies.push({ item: item.id, title, address: safeAddress(item.address), language, html, day });
    }
  }
  return copies;
}
