import type { BroughtPlace } from "./brought";

/**
 * Which of the places a file proposes are made. Into an open collection: the one collection the file has at its top is
 * that one, and what is in it goes there. Who may not make collections brings everything to one place.
 * @param places each after the one around it
 * @param open whether they go into a collection that is there
 * @param arranges whether the person may make collections
 * @returns `list`: what is made, with parents by their new numbers; `renamed`: the new number of each place that was
 * proposed, null for what goes to where everything goes
 */
export function placesInto(
  places: readonly BroughtPlace[],
  open: boolean,
  arranges: boolean,
): { list: BroughtPlace[]; renamed: (number | null)[] } {
  if (!arranges) return { list: [], renamed: places.map(() => null) };
  if (!open) return { list: [...places], renamed: places.map((_, i) => i) };
  const list: BroughtPlace[] = [];
  const renamed: (number | null)[] = [];
  const tops = places.filter((place) => place.parent === null && !place.section).length;
  for (const place of places) {
    if (place.parent === null && tops === 1 && !place.section) {
      renamed.push(null);
      continue;
    }
    const parent = place.parent === null ? null : renamed[place.parent]!;
    renamed.push(list.push({ ...place, parent }) - 1);
  }
  return { list, renamed };
}
