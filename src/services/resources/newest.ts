import { newestResources, withTags } from "@/data/queries/resources";
import { reading } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadCatalogue {
  @Id() team: string;
  /** The last id of the page before. */
  @MaybeId() before?: string;
}

const PAGE = 50;

export const readCatalogue = reading({
  name: "resources.newest",
  about: "The resources of a team, newest first, 50 a page.",
  input: ReadCatalogue,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const rows = await newestResources(tx, input.team, input.before ?? null, PAGE + 1);
    const page = rows.slice(0, PAGE);
    return { resources: await withTags(tx, page), next: rows.length > PAGE ? page.at(-1)!.id : null };
  },
});
