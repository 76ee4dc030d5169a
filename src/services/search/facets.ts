import { countAmong, countWhole, keptFacets } from "@/data/search/count-facets";
import { isQueued } from "@/data/search/reindex-queue";
import { reading } from "@/mechanism/action";
import { Id, MaybeSought } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Asked } from "./asked";
import { countedAnew } from "./counted-anew";

/** With words, what is counted are the best so many. */
const BEST = 2_000;

class ReadFacets {
  @Id() team: string;
  @MaybeSought(500) query?: string;
}

export const readFacets = reading({
  name: "search.facets",
  about:
    "By what the results of a search can be narrowed, with how many there are: kind, site, tag, person, month, length, state. With words it is counted among the best 2,000.",
  input: ReadFacets,
  allow: can.see("team"),
  run: async ({ input: { team, query }, scope, tx }) => {
    const asked = await Asked.of(tx, team, query ?? "", scope.person!);
    const some = await asked.counting(BEST);
    if (some) return { facets: await countAmong(tx, some.ids), best: some.best, old: false };
    if (countedAnew(asked.indexed)) return { facets: await countWhole(tx, team), best: null, old: false };
    const [facets, old] = await Promise.all([keptFacets(tx, team), isQueued(tx, team)]);
    return {
      facets,
      best: null,
      /** Whether something happened that is not counted yet: ask again in a few seconds. */
      old,
    };
  },
});
