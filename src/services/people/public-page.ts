import type { Tx } from "@/data/database";
import type { NewlyPublic } from "@/data/queries/follows";
import { collectionsOfPeople, OF_PERSON, openPages } from "@/data/queries/person-pages";

/**
 * What stands on the public pages of these people, as far as they have one: public collections of their teams in which they
 * placed something, without those they leave out.
 * @param since only what was made public after it
 * @param team only what is of this one
 */
export async function onPagesOf(
  tx: Tx,
  people: readonly string[],
  at: Date,
  { most = OF_PERSON, ...which }: { since?: Date | null; team?: string; most?: number } = {},
): Promise<NewlyPublic[]> {
  const pages = await openPages(tx, people);
  const found = await collectionsOfPeople(tx, [...pages.keys()], at, { ...which, most });
  return found.filter((one) => !pages.get(one.of)!.leftOut.includes(one.id));
}
