import { cardsById, newestResources, withTags } from "@/data/queries/resources";
import { resourcesTagged } from "@/data/queries/tags";
import { reading } from "../action";
import { Id, MaybeId } from "../input";
import { can } from "../policy";

class ReadCatalogue {
  @Id() team: string;
  /** The last id of the page before. */
  @MaybeId() before?: string;
  @MaybeId() tag?: string;
}

const PAGE = 50;

export const readCatalogue = reading({
  name: "resources.newest",
  about: "The resources of a team, newest first, 50 a page; with a tag, the newest 200 that carry it.",
  input: ReadCatalogue,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    if (input.tag) {
      const rows = await cardsById(tx, input.team, await resourcesTagged(tx, input.team, input.tag, 200));
      return {
        resources: await withTags(
          tx,
          rows.sort((a, b) => (a.id < b.id ? 1 : -1)),
        ),
        next: null,
      };
    }
    const rows = await newestResources(tx, input.team, input.before ?? null, PAGE + 1);
    const page = rows.slice(0, PAGE);
    return { resources: await withTags(tx, page), next: rows.length > PAGE ? page.at(-1)!.id : null };
  },
});
