import {
  collectionsInside,
  findCollection,
  itemCounts,
  sectionsOf,
  sectionSums,
  shareCodeOf,
  threadsOf,
} from "@/data/queries/collections";
import { itemsOf } from "@/data/queries/placements";
import { reading } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class ReadCollection {
  @Id() collection: string;
}

/** How many items come with the first answer; the rest is asked for in pages. */
const FIRST = 60;

export const readCollection = reading({
  name: "collections.read",
  about: "A collection with its sections, sums, and its first items.",
  input: ReadCollection,
  allow: can.see("collection"),
  run: async ({ input, scope, tx }) => {
    const found = (await findCollection(tx, input.collection))!;
    const [sections, sums, first, code, inside, cover] = await Promise.all([
      sectionsOf(tx, found.id),
      sectionSums(tx, found.id),
      itemsOf(tx, found.id, null, FIRST),
      shareCodeOf(tx, found.id),
      collectionsInside(tx, found.id),
      threadsOf(tx, found.id),
    ]);
    const counts = await itemCounts(
      tx,
      inside.map((one) => one.id),
    );
    return {
      collection: {
        id: found.id,
        team: found.team,
        teamName: found.teamName,
        parent: found.parent,
        title: found.title,
        description: found.description,
        audience: found.audience,
        view: found.view,
        code: found.audience === "team" ? null : code,
        role: scope.role!,
      },
      sections,
      sums,
      inside: inside.map((one) => ({ id: one.id, title: one.title, count: counts.get(one.id) ?? 0 })),
      cover,
      ...first,
    };
  },
});
