import { countFacets } from "@/data/queries/facets";
import { reading } from "../action";
import { Id, MaybeText } from "../input";
import { can } from "../policy";
import { Asked } from "./asked";

/** With words, what is counted are the best so many. */
const BEST = 2_000;
/** Counts of the whole catalogue hold for so long, in milliseconds. */
const KEPT_FOR = 15_000;

class ReadFacets {
  @Id() team: string;
  @MaybeText(500) query?: string;
}

type Facets = Awaited<ReturnType<typeof countFacets>>;
const kept = new Map<string, { at: number; facets: Facets }>();

export const readFacets = reading({
  name: "search.facets",
  about:
    "By what the results of a search can be narrowed, with how many there are: kind, site, tag, person, month, length, state. With words it is counted among the best 2,000.",
  input: ReadFacets,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const asked = await Asked.of(tx, input.team, input.query ?? "");
    const { among, whole, best } = await asked.among(BEST);
    const known = whole ? kept.get(input.team) : undefined;
    if (known && Date.now() - known.at < KEPT_FOR) return { facets: known.facets, best };
    const facets = await countFacets(tx, input.team, among, whole);
    if (whole) {
      if (kept.size > 500) kept.clear();
      kept.set(input.team, { at: Date.now(), facets });
    }
    return { facets, best };
  },
});
