import { placeAfter } from "@/core/order/place";
import { sectionsToFit } from "@/data/queries/load";
import { orderOfSections } from "@/data/queries/order";
import { findSection } from "@/data/queries/sections";
import { action } from "@/mechanism/action";
import { Id, Ids, MaybeId, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { countOf } from "@/mechanism/say-count";
import { newId } from "@/outside/random";
import { takeSpots } from "../placements/take-spots";

class FitCollection {
  @Id() collection: string;
  /** What does not fit, in its order. */
  @Ids(2_000) placements: string[];
  /** What the section for it is called, if there is none yet. */
  @Name("a name for the section", 200) title: string;
  /** The id of that section. */
  @MaybeId() section?: string;
}

export const fitCollection = action({
  name: "collections.fit",
  about:
    "Puts what does not fit into the time into a section at the end that is for whoever has time left; makes that section when there is none. Everything else stays as it stands.",
  input: FitCollection,
  allow: can.arrangeHere("collection"),
  locks: ({ input }) => ({ collections: [input.collection], placements: input.placements }),
  history: ({ changes }) => `make it fit without ${countOf(changes, "placement", "an item", "items")}`,
  run: async ({ input, scope, tx, at, locked, add, change, set }) => {
    const rows = locked.placementsOf(input.placements, scope.team!);
    if (rows.some((row) => row.collection !== input.collection)) throw new Problem("not-found");
    let section = (await sectionsToFit(tx, input.collection)).findLast(({ beyond }) => beyond)?.id;
    if (!rows.length) return { section: section ?? null, moved: 0 };
    // What is there already goes nowhere.
    const going = rows.filter((row) => section === undefined || row.section !== section);
    if (!section) {
      if (input.section && (await findSection(tx, input.section))) throw new Problem("id-taken");
      section = input.section ?? newId();
      const sections = await orderOfSections(tx, input.collection);
      const { position, respread } = placeAfter(sections, sections.at(-1)?.id ?? null);
      await set.respread("section", respread, sections);
      const { collection, title } = input;
      await add(
        "section",
        { ...{ id: section, collection, title, position }, beyond: true, createdAt: at },
        { say: { title } },
      );
    }
    const ids = going.map((row) => row.id);
    const { positions } = await takeSpots(tx, set, input.collection, { section }, ids, ids.length);
    await change("placement", going, (_, i) => ({ section, position: positions[i]! }));
    return { section, moved: going.length };
  },
});
