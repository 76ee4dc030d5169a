import type { Sort } from "./view-setting";

type Sortable = {
  heading: string;
  addedAt: Date | string;
  resource: { title: string; minutes: number | null; usedAt: Date | string | null };
};

/** Letters by the alphabet, numbers by their value, capitals and accents beside the plain letter. */
const letters = new Intl.Collator("en", { sensitivity: "base", numeric: true });

/**
 * The items in another order than their own. What has no length or was never used stands last, either way; equal
 * things keep their own order.
 * @param items in their own order
 * @param sort by what; `own` leaves them as they are
 * @param down the largest, newest or last letter first
 */
export function sortItems<T extends Sortable>(items: readonly T[], sort: Sort, down: boolean): T[] {
  if (sort === "own") return [...items];
  const value = (item: T): string | number | null => {
    if (sort === "title") return item.heading || item.resource.title;
    if (sort === "length") return item.resource.minutes;
    const moment = sort === "added" ? item.addedAt : item.resource.usedAt;
    return moment === null ? null : new Date(moment).getTime();
  };
  return items
    .map((item) => ({ item, value: value(item) }))
    .sort((a, b) => {
      if (a.value === null || b.value === null) return Number(a.value === null) - Number(b.value === null);
      const order =
        typeof a.value === "string"
          ? letters.compare(a.value, b.value as string)
          : a.value - (b.value as number);
      return down ? -order : order;
    })
    .map(({ item }) => item);
}
