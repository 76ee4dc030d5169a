/** A place between the items of a collection: at the start of a section (null: before the first), or behind an item. */
export type Gap = { section: string | null; after: string | null };
type Placed = { id: string; section: string | null };

/**
 * Every place where what is picked up can be put, from the top to the bottom. What is picked up is no neighbour.
 * @param items all items in order
 * @param sections ids of the sections in order
 */
export function gapsOf(
  items: readonly Placed[],
  sections: readonly string[],
  lifted: readonly string[],
): Gap[] {
  const others = items.filter((item) => !lifted.includes(item.id));
  return [null, ...sections].flatMap((section) => [
    { section, after: null },
    ...others.filter((item) => item.section === section).map((item) => ({ section, after: item.id })),
  ]);
}

/**
 * The place where the first of what is picked up stands now, as an index into `gapsOf`.
 * @param items all items in their order
 * @param gaps as `gapsOf` gave them for what is picked up
 * @param lifted ids of what is picked up
 */
export function gapOf(items: readonly Placed[], gaps: readonly Gap[], lifted: readonly string[]): number {
  const at = items.findIndex((item) => lifted.includes(item.id));
  if (at < 0) return 0;
  const { section } = items[at]!;
  const before = items
    .slice(0, at)
    .filter((item) => item.section === section && !lifted.includes(item.id))
    .at(-1);
  return gaps.findIndex((gap) => gap.section === section && gap.after === (before?.id ?? null));
}
