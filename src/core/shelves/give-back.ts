import { type EditionCollection, type EditionItem, itemsIn, withInside } from "../editions/content";

/** What can be given back to a lender of an item. */
export type GivenBack =
  /** Another context line for an item that stands there, in one of its collections. */
  | { what: "words"; collection: string; item: EditionItem; text: string }
  /** Another address for an item that stands there: its page is elsewhere now. */
  | { what: "link"; collection: string; item: EditionItem; address: string }
  /** Something that does not stand there. */
  | { what: "item"; collection: string };

/**
 * What of an own item is news to the lender of what it stands in, or was taken from.
 * @param own the item: its id here, the collection it stands in, its address and context line
 * @param lent what the lender shows now
 * @param pairs ids there with ids here, as they were taken
 * @param taken what was taken; what is still as it was is no news, though they have it otherwise by now
 * @returns null: the lender has it so already, or shows no more what it would belong to
 */
export function givenBack(
  own: { id: string; collection: string; address: string; context: string },
  lent: EditionCollection,
  pairs: Readonly<Record<string, string>>,
  taken: EditionCollection,
): GivenBack | null {
  const thereOf = new Map(Object.entries(pairs).map(([there, here]) => [here, there]));
  const there = thereOf.get(own.id);
  const all = withInside(lent);
  const was = there
    ? withInside(taken)
        .flatMap(itemsIn)
        .find((each) => each.id === there)
    : undefined;
  for (const one of all) {
    // What was taken by itself is known by its address where it was put there anew.
    const item = itemsIn(one).find(
      (each) => each.id === there || (own.address !== "" && each.address === own.address),
    );
    if (!item) continue;
    const isMended = was && was.address !== own.address && item.address !== own.address;
    if (isMended && was.address && own.address)
      return { what: "link", collection: one.id, item, address: own.address };
    return own.context && own.context !== item.context && own.context !== was?.context
      ? { what: "words", collection: one.id, item, text: own.context }
      : null;
  }
  if (there || !own.address) return null;
  const home = thereOf.get(own.collection);
  return { what: "item", collection: all.some((one) => one.id === home) ? home! : lent.id };
}
