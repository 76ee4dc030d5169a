import { dropSavedSearch } from "@/data/queries/saved-searches";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class OneSaved {
  @Id() team: string;
  @Id() search: string;
}

export const forgetSavedSearch = action({
  name: "saved-searches.forget",
  about: "Lets a saved search go.",
  input: OneSaved,
  allow: can.see("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, search }, scope, tx }) => {
    await dropSavedSearch(tx, { person: scope.person!, team }, search);
    return { forgotten: search };
  },
});
