import { savedSearchesOf } from "@/data/queries/saved-searches";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Asked } from "../search/asked";
import { MOST_SAVED } from "./save";

/** New results are counted up to here. */
const MOST_NEW = 99;

class ReadSaved {
  @Id() team: string;
}

export const readSavedSearches = reading({
  name: "saved-searches.read",
  about: "The searches one has saved in a team, with how many results came in since one last looked.",
  input: ReadSaved,
  allow: can.see("team"),
  run: async ({ input: { team }, scope, tx }) => {
    const searches = [];
    for (const row of await savedSearchesOf(tx, { person: scope.person!, team }, MOST_SAVED)) {
      const { id, name, query, lookedAt } = row;
      const asked = await Asked.of(tx, team, query, scope.person!);
      const { hits } = await asked.page("newest", null, MOST_NEW + 1, { since: lookedAt });
      searches.push({ id, name, query, lookedAt, fresh: hits.length });
    }
    return { searches };
  },
});
