import type { Change, Thing } from "@/core/undo/change";
import type { Happening } from "../action";

/** The verb the Bench and the Desk know for a change of each kind of thing. */
const VERBS: Record<Thing, (change: Change) => string> = {
  collection: ({ after }) =>
    after && "gone" in after
      ? after.gone
        ? "collections.remove"
        : "bin.restore-collection"
      : "collections.edit",
  section: ({ after }) =>
    after && "gone" in after ? (after.gone ? "sections.remove" : "bin.restore-section") : "sections.edit",
  placement: ({ after }) =>
    after && "gone" in after
      ? after.gone
        ? "placements.remove"
        : "bin.restore-placement"
      : "placements.edit",
  resource: ({ after }) =>
    after && "gone" in after ? (after.gone ? "resources.remove" : "bin.restore-resource") : "resources.edit",
  tagging: () => "tags.change",
  about: () => "collections.edit",
  tray: () => "tray.set",
  tag: () => "tags.edit",
};

/**
 * Tells what was changed, as the actions that make such changes do, once for each place that shows it.
 * @param homes in which collection the placements and sections among these stand now
 */
export function tellChanges(
  changes: readonly Change[],
  homes: ReadonlyMap<string, string>,
  tell: (happening: Happening) => void,
): void {
  const told = new Set<string>();
  for (const change of changes) {
    const subject = change.id.split("~")[change.thing === "tray" ? 1 : 0]!;
    const verb = VERBS[change.thing](change);
    for (const collection of placesOf(change, homes)) {
      const key = [subject, verb, collection].join();
      if (!told.has(key)) tell({ subject, collection, verb });
      told.add(key);
    }
  }
}

/** The collections in which a change is seen; null: in none of its own. */
function placesOf(
  { thing, id, before, after }: Change,
  homes: ReadonlyMap<string, string>,
): (string | null)[] {
  if (thing === "collection" || thing === "about") return [id.split("~")[0]!];
  if (thing !== "placement" && thing !== "section") return [null];
  const places = [homes.get(id), before?.collection, after?.collection];
  return [...new Set(places)].filter((place) => typeof place === "string");
}
