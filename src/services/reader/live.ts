import { asPublished } from "@/core/editions/as-published";
import type { PublishedCollection, PublishedItem } from "@/core/publish/model";
import { MOST_OF_THEIRS, showing } from "@/core/shelves/theirs";
import type { Tx } from "@/data/database";
import { openCodes } from "@/data/queries/listings";
import { addressOfHobbin } from "../accounts/address";
import { contentForReaders } from "../editions/content-for-readers";
import { publishedCollection } from "./published-collection";
import { shownTo } from "./shown";
import { type Behind, editionAsked, publicBehind } from "./shown-behind";

/**
 * A collection as readers get it, with what it shows of others as that is now. Where theirs is not public any more, the item
 * is not there at all; of more than a page holds it is said how much there is.
 */
export async function withTheirs(
  tx: Tx,
  collection: PublishedCollection,
  at: Date,
): Promise<PublishedCollection> {
  const shown = collection.sections.flatMap(({ items }) => items.flatMap((item) => item.shownLive ?? []));
  if (!shown.length) return collection;
  const codes = await openCodes(tx, shown, at);
  const open = await publicBehind(tx, [...codes.values()], at);
  const known = new Map<string, PublishedCollection | null>();
  for (const [code, behind] of open) known.set(code, await readersGet(tx, code, behind, at));
  let left = MOST_OF_THEIRS;
  const asShown = (item: PublishedItem): PublishedItem[] => {
    // Whatever was moved where: in itself it is a link like any other.
    if (!item.shownLive || item.shownLive === collection.id) return [item];
    const code = codes.get(item.shownLive);
    const theirs = code && known.get(code);
    if (!theirs) return [];
    const made = showing(item, { collection: theirs, code }, addressOfHobbin(), left);
    left -= made.theirs!.sections.reduce((sum, one) => sum + one.items.length, 0);
    return [made];
  };
  return {
    ...collection,
    sections: collection.sections.map((one) => ({ ...one, items: one.items.flatMap(asShown) })),
  };
}

/** What the readers of a public collection get: as it stands, or its newest edition; null when there is none. */
export async function readersGet(
  tx: Tx,
  code: string,
  behind: Behind,
  at: Date,
): Promise<PublishedCollection | null> {
  const edition = editionAsked(behind, null);
  if (edition === "living")
    return publishedCollection(tx, behind.root, (await shownTo(tx, behind.root, code, at))!);
  return (
    edition &&
    asPublished(await contentForReaders(tx, behind.team, edition.digest), null, {
      ...{ audience: "public", framedBy: "", keptAt: edition.createdAt },
    })
  );
}
