import type { Change, EntityType } from "@/core/history/change";

/**
 * How many things of a kind were changed, in words.
 * @param one for a single thing, such as "an item"
 * @param many what several are called, such as "items"
 */
export function countOf(changes: readonly Change[], type: EntityType, one: string, many: string): string {
  const count = changes.filter((change) => change.type === type).length;
  return count === 1 ? one : `${count} ${many}`;
}
