import type { SQL } from "drizzle-orm";
import type { Facets } from "@/core/search/facets";
import { countFacets, keepFacets, keptFacets } from "@/data/queries/facets";
import { now } from "@/outside/clock";
import { log } from "@/outside/log";
import { database, reading } from "../action";
import { Id, MaybeText } from "../input";
import { can } from "../policy";
import { Asked } from "./asked";

/** With words, what is counted are the best so many. */
const BEST = 2_000;
/** A catalogue of so many is counted whenever somebody asks. */
const SOON_COUNTED = 5_000;
/** A larger one is counted anew at most so often, in milliseconds. */
const PAUSE = 15_000;

class ReadFacets {
  @Id() team: string;
  @MaybeText(500) query?: string;
}

/** Teams whose catalogue this process is counting. */
const counting = new Set<string>();

export const readFacets = reading({
  name: "search.facets",
  about:
    "By what the results of a search can be narrowed, with how many there are: kind, site, tag, person, month, length, state. With words it is counted among the best 2,000.",
  input: ReadFacets,
  allow: can.see("team"),
  run: async ({ input: { team, query }, tx }) => {
    const asked = await Asked.of(tx, team, query ?? "");
    const { among, whole, best } = await asked.counting(BEST);
    if (!whole || asked.indexed <= SOON_COUNTED)
      return { facets: await countFacets(tx, team, among, whole), best, old: false };
    // Of a large catalogue nobody waits for the counts: those of before are there, and what happened since is counted
    // behind them.
    const kept = await keptFacets(tx, team);
    if (!kept) return { facets: await countWhole(team, among), best, old: false };
    if (kept.old && !counting.has(team) && Date.now() - kept.at.getTime() > PAUSE)
      void countWhole(team, among).catch((error: unknown) => log.warn({ err: error }, "not counted anew"));
    const { facets, old } = kept;
    return {
      facets,
      best,
      /** Whether something happened since these were counted: ask again in a few seconds. */
      old,
    };
  },
});

async function countWhole(team: string, among: SQL): Promise<Facets> {
  const at = now();
  counting.add(team);
  try {
    const facets = await countFacets(database(), team, among, true);
    await keepFacets(database(), team, at, facets);
    return facets;
  } finally {
    counting.delete(team);
  }
}
