import { setLookedAt } from "@/data/queries/saved-searches";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class OneSaved {
  @Id() team: string;
  @Id() search: string;
}

export const lookAtSavedSearch = action({
  name: "saved-searches.look",
  about: "Notes that one has looked at what a saved search finds.",
  input: OneSaved,
  allow: can.see("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, search }, scope, tx, at }) => {
    await setLookedAt(tx, { person: scope.person!, team }, search, at);
    return { lookedAt: at };
  },
});
