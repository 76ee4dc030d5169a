import type { Tx } from "@/data/database";
import { homesIn } from "@/data/queries/guests";

/** The collections of which alone somebody hears; null: of everything in the team. */
type Only = { has: (collection: string) => boolean } | null;
type Told = { collection: string | null; subject: string };

/**
 * Whether somebody who hears of these collections alone hears of this: of what is done there, and to what stands there.
 * @param homes where the subjects of what is told of no collection stand
 */
export const hears = (
  only: Only,
  { collection, subject }: Told,
  homes: ReadonlyMap<string, readonly string[]>,
): boolean =>
  only === null ||
  (collection === null ? (homes.get(subject) ?? []).some((home) => only.has(home)) : only.has(collection));

/** Where the subjects of what is told of no collection stand, as far as they are resources. */
export async function homesOfSubjects(tx: Tx, events: readonly Told[]): Promise<Map<string, string[]>> {
  const subjects = [
    ...new Set(events.flatMap(({ collection, subject }) => (collection === null ? [subject] : []))),
  ];
  const homes = new Map<string, string[]>();
  for (const { id, collection } of await homesIn(tx, "resource", subjects))
    homes.set(id, [...(homes.get(id) ?? []), collection]);
  return homes;
}
