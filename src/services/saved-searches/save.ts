import { savedSearchesOf, saveSearch as writeSearch } from "@/data/queries/saved-searches";
import { action } from "@/mechanism/action";
import { Id, MaybeId, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

/** How many searches one saves in a team at the most. */
export const MOST_SAVED = 50;

class SaveSearch {
  @Id() team: string;
  @Name("a name", 120) name: string;
  @Name("something to look for", 500) query: string;
  @MaybeId() search?: string;
}

export const saveSearch = action({
  name: "saved-searches.save",
  about: "Saves a search under a name, for oneself. An id sent twice saves one.",
  input: SaveSearch,
  allow: can.see("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, name, query, search }, scope, tx, at }) => {
    const whose = { person: scope.person!, team };
    if ((await savedSearchesOf(tx, whose, MOST_SAVED)).length >= MOST_SAVED)
      throw new Problem(
        "too-many-saved-searches",
        `At most ${MOST_SAVED} searches are kept. Let one go first.`,
      );
    const id = search ?? newId();
    await writeSearch(tx, { id, ...whose, name, query, lookedAt: at, createdAt: at });
    return { search: { id, name, query } };
  },
});
