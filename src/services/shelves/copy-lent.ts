import { type EditionCollection, type EditionItem, itemsIn, withInside } from "@/core/editions/content";
import { keysAfter } from "@/core/order/place";
import type { Tx } from "@/data/database";
import type { ChangeSet } from "@/mechanism/change-set";
import { newId } from "@/outside/random";
import { bringInBorrowed } from "./bring-in-borrowed";

/** Who takes it, and with which credit. */
export type Taker = { team: string; person: string; credit: string };
type Place = { id: string; parent: string | null; position: string };

/**
 * Makes an own copy of what others made public, with everything inside: collections, sections, items.
 * @param place where the copy stands, and under which id
 * @returns what became of what: ids there with ids here
 */
export async function copyLent(
  set: ChangeSet,
  tx: Tx,
  { team, person, credit }: Taker,
  top: EditionCollection,
  place: Place,
): Promise<Map<string, string>> {
  const all = withInside(top);
  const resources = await bringInBorrowed(set, tx, { team, person }, all.flatMap(itemsIn));
  const times = { createdAt: set.at, updatedAt: set.at };
  const pairs = new Map(all.map((one) => [one.id, one === top ? place.id : newId()]));
  const row = (one: EditionCollection, at: Omit<Place, "id">) => ({
    ...{ id: pairs.get(one.id)!, team, ...at, title: one.title, rich: one.rich, view: one.view },
    ...{ description: one.description, language: one.language, coverHash: one.cover, ...times },
    credit,
    // What a portfolio leads to is others' own.
    use: one.use === "portfolio" ? null : one.use,
  });
  const inside = (one: EditionCollection): ReturnType<typeof row>[] => {
    const keys = keysAfter(null, one.inside.length);
    return one.inside.flatMap((inner, i) => [
      row(inner, { parent: pairs.get(one.id)!, position: keys[i]! }),
      ...inside(inner),
    ]);
  };
  await set.add("collection", [row(top, place), ...inside(top)], { say: { title: top.title } });
  const sections = all.flatMap((one) => {
    const named = one.sections.filter((section) => section.id !== null);
    const keys = keysAfter(null, named.length);
    return named.map((section, i) => {
      const id = newId();
      pairs.set(section.id!, id);
      return {
        ...{ id, collection: pairs.get(one.id)!, position: keys[i]!, createdAt: set.at },
        ...{ title: section.title, intro: section.intro },
        ...{ minutes: section.phase?.minutes ?? null, learners: section.phase?.learners ?? "" },
      };
    });
  });
  await set.add("section", sections, { along: true });
  const items = all.flatMap((one) =>
    one.sections.flatMap((section) => {
      const keys = keysAfter(null, section.items.length);
      return section.items.map((item, i) => {
        const id = newId();
        pairs.set(item.id, id);
        return placed(item, {
          ...{ id, team, collection: pairs.get(one.id)!, resource: resources.get(item.id)! },
          ...{
            section: section.id && pairs.get(section.id)!,
            position: keys[i]!,
            credit,
            addedBy: person,
            ...times,
          },
        });
      });
    }),
  );
  await set.add("placement", items, { along: true });
  return pairs;
}

/** An item as it stands in the own copy: with its heading, its context line, and which part of it is meant. */
export const placed = <P extends object>({ heading, context, look, clip }: EditionItem, place: P) => ({
  ...{ heading, context, look, ...clip },
  ...place,
});
