import type { PublishedCollection } from "@/core/publish/model";
import { clothOfAll, sumOfAll } from "@/core/publish/reader-course";
import { asEntry, type Entry, pointedTo } from "@/core/uses/portfolio";
import type { Tx } from "@/data/database";
import { addressOfHobbin } from "../accounts/address";
import { readersGet } from "./live";
import { publishedCollection } from "./published-collection";
import type { Shown } from "./shown";
import { publicBehind } from "./shown-behind";

/** A collection as readers get it; of a portfolio, with the public collections its items lead to as they are now. */
export async function shownCollection(
  tx: Tx,
  id: string,
  shown: Shown,
  at: Date,
): Promise<PublishedCollection> {
  const collection = await publishedCollection(tx, id, shown);
  if (collection.use !== "portfolio") return collection;
  const home = addressOfHobbin();
  const codes = collection.sections.flatMap((section) =>
    section.items.flatMap((item) => pointedTo(item.address, home)?.code ?? []),
  );
  const open = new Map<string, Entry>();
  for (const [code, behind] of await publicBehind(tx, codes, at)) {
    const found = await readersGet(tx, code, behind, at);
    if (found) open.set(code, entryOf(found));
  }
  return {
    ...collection,
    sections: collection.sections.map((section) => ({
      ...section,
      items: section.items.flatMap((item) => asEntry(item, home, open) ?? []),
    })),
  };
}

/** Of items that lead to collections of this Hobbin, by their addresses: whether everybody can open these. */
export async function leadsOf(tx: Tx, items: readonly { resource: { address: string } }[], at: Date) {
  const home = addressOfHobbin();
  const pointed = items.flatMap(({ resource: { address } }) => {
    const code = pointedTo(address, home)?.code;
    return code ? [{ address, code }] : [];
  });
  const open = await publicBehind(
    tx,
    pointed.map((one) => one.code),
    at,
  );
  return new Map(
    pointed.map(({ address, code }) => [address, open.has(code) ? ("public" as const) : ("closed" as const)]),
  );
}

function entryOf(collection: PublishedCollection): Entry {
  const { title, description, teamName, cover } = collection;
  const { items: count, minutes } = sumOfAll(collection);
  return { title, description, teamName, cover, count, minutes, cloth: clothOfAll(collection) };
}
