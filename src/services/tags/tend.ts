import { fillMonths } from "@/core/tags/cloud";
import { lookAlikes } from "@/core/tags/look-alike";
import { countUses, tagMonths, tagNames, withNames } from "@/data/queries/tags";
import { countIndexed } from "@/data/search/terms";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { cachedCounts } from "../search/cached-counts";
import { back, MONTHS } from "./months";

/** So many tags are shown to be tended. */
const MOST = 5_000;

class OfTeam {
  @Id() team: string;
}

/** As they are kept: times as text. */
type Uses = {
  uses: [tag: string, count: number, last: string | null][];
  months: [month: string, n: number][];
};
const usesOf = cachedCounts<Uses>("tags", async (tx, team) => {
  const [uses, months] = await Promise.all([
    countUses(tx, team),
    tagMonths(tx, team, null, back(now(), MONTHS)),
  ]);
  return {
    uses: uses.map(({ tag, count, last }) => [tag, count, last?.toISOString() ?? null]),
    months: [...months],
  };
});

export const tendTags = reading({
  name: "tags.tend",
  about: "All tags of a team with their use by month, and those that look like the same word.",
  input: OfTeam,
  allow: can.see("team"),
  run: async ({ input: { team }, tx }) => {
    const [names, indexed] = await Promise.all([tagNames(tx, team), countIndexed(tx, team)]);
    const { counts, old } = await usesOf(tx, team, indexed);
    const uses = counts.uses.map(([tag, count, last]) => ({
      tag,
      count,
      last: last ? new Date(last) : null,
    }));
    const tags = withNames(names, uses).slice(0, MOST);
    return {
      tags,
      months: fillMonths(new Map(counts.months), now().toISOString().slice(0, 7), MONTHS),
      alike: lookAlikes(tags).slice(0, 200),
      /** Whether something happened since the uses were counted: ask again in a few seconds. */
      old,
    };
  },
});
