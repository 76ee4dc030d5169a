import { treeAsPublished } from "@/core/editions/as-published";
import { saidInGroups } from "@/core/share/short-code";
import type { PublishedItem, PublishedTree } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { shareCodeOf, shortCodesOf } from "@/data/queries/sharing";
import { now } from "@/outside/clock";
import { addressOfHobbin } from "../accounts/address";
import { contentNow } from "../editions/content-now";
import { placesOf } from "../reader/places";
import { onlyThese } from "./tree";

/**
 * What learners are handed: the side of a collection they see, and how they get back to its page and to its files where it
 * is shared.
 */
export async function sheetOf(
  tx: Tx,
  { collection: id, placements }: { collection: string; placements?: string },
): Promise<{ tree: PublishedTree; leads: { page: string; at: string } | null }> {
  const at = now();
  const content = await contentNow(tx, id, at, null);
  const whole = treeAsPublished(content, { audience: "link", framedBy: "", keptAt: at });
  const tree = placements ? onlyThese(whole, new Set(placements.split(","))) : whole;
  const code = await shareCodeOf(tx, id);
  if (!code) return { tree, leads: null };
  const short = (await shortCodesOf(tx, [id], at)).get(id);
  const site = addressOfHobbin();
  const plain = site.replace(/^https?:\/\//, "");
  const withFiles = ({ collection, inside }: PublishedTree, part: string | null): PublishedTree => {
    const places = placesOf({ code, part });
    const leading = (item: PublishedItem) =>
      item.file ? { ...item, address: site + places.file(item) } : item;
    return {
      collection: {
        ...collection,
        sections: collection.sections.map((one) => ({ ...one, items: one.items.map(leading) })),
      },
      inside: inside.map((one) => withFiles(one, one.collection.id)),
    };
  };
  return {
    tree: withFiles(tree, null),
    leads: {
      page: `${site}/c/${code}`,
      at: short ? `${plain}/go: ${saidInGroups(short.code)}` : `${plain}/c/${code}`,
    },
  };
}
