import { IsInt, Max, Min } from "class-validator";
import { withInside, itemsIn, type EditionCollection } from "@/core/editions/content";
import { keysAfter, placeAfter } from "@/core/order/place";
import { editionByNumber } from "@/data/queries/editions";
import { lockResources } from "@/data/queries/locks";
import { orderOfCollections } from "@/data/queries/order";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { contentOf } from "./stored-content";

class BringBack {
  @Id() collection: string;
  @IsInt() @Min(1) @Max(1_000_000) number: number;
}

export const bringBackEdition = action({
  name: "editions.bring-back",
  about:
    "Makes a new collection of an edition, behind the one it was kept of, as it stood then with everything inside. It is the team's own at first.",
  input: BringBack,
  allow: can.arrange("collection"),
  locks: ({ input }) => ({ team: true, collections: [input.collection] }),
  history: "bring back an edition",
  run: async ({ input, scope, tx, locked, at, set, add }) => {
    const living = locked.collection(input.collection);
    const found = await editionByNumber(tx, living.id, input.number);
    if (!found) throw new Problem("not-found");
    const team = scope.team!;
    const kept = (await contentOf(found.digest)).collection;
    const all = withInside(kept);
    // Nothing of the catalogue is ever deleted for good; what lies in the bin comes back with what needs it.
    const resources = await lockResources(tx, [
      ...new Set(all.flatMap((one) => itemsIn(one).map((item) => item.resource))),
    ]);
    const isThere = (id: string) => resources.get(id)?.team === team;
    await set.restore(
      "resource",
      [...resources.values()].filter((row) => row.team === team && row.deletedAt),
      { forGood: true },
    );
    const times = { createdAt: at, updatedAt: at };
    const ids = new Map(all.map((one) => [one.id, newId()]));
    const title = `${kept.title.slice(0, 185)} (edition ${input.number})`;
    const mates = await orderOfCollections(tx, team, living.parent);
    const { position, respread: moved } = placeAfter(mates, living.id);
    await set.respread("collection", moved, mates);
    const row = (one: EditionCollection, parent: string | null, place: string, own: object) => ({
      ...{ id: ids.get(one.id)!, team, parent, position: place, title: one.title },
      ...{ description: one.description, rich: one.rich, view: one.view, language: one.language },
      ...{ use: one.use, coverHash: one.cover, ...times, ...own },
    });
    const inside = (one: EditionCollection): ReturnType<typeof row>[] => {
      const keys = keysAfter(null, one.inside.length);
      return one.inside.flatMap((inner, i) => [row(inner, ids.get(one.id)!, keys[i]!, {}), ...inside(inner)]);
    };
    const own = row(kept, living.parent, position, { title, leftOut: living.parent !== null });
    await add("collection", [own, ...inside(kept)], { say: { title: kept.title } });
    const sections = all.flatMap((one) => {
      const named = one.sections.filter((section) => section.id !== null);
      const keys = keysAfter(null, named.length);
      return named.map((section, i) => ({
        ...{ id: newId(), was: section.id!, collection: ids.get(one.id)!, position: keys[i]!, createdAt: at },
        ...{ title: section.title, intro: section.intro },
        // What the teacher does is not in what readers saw.
        ...{ minutes: section.phase?.minutes ?? null, learners: section.phase?.learners ?? "" },
      }));
    });
    await add(
      "section",
      sections.map(({ was: _, ...section }) => section),
      { along: true },
    );
    const sectionOf = new Map(sections.map((section) => [section.was, section.id]));
    const items = all.flatMap((one) =>
      one.sections.flatMap((section) => {
        const there = section.items.filter((item) => isThere(item.resource));
        const keys = keysAfter(null, there.length);
        return there.map((item, i) => ({
          ...{ id: newId(), team, collection: ids.get(one.id)!, resource: item.resource, position: keys[i]! },
          section: section.id === null ? null : sectionOf.get(section.id)!,
          ...{ heading: item.heading, context: item.context, look: item.look },
          ...{ givesCopy: item.copy === "chosen", shownLive: item.shownLive ?? null },
          ...item.clip,
          ...{ addedBy: scope.person!, ...times },
        }));
      }),
    );
    await add("placement", items, { along: true });
    return { collection: { id: own.id, title } };
  },
});
