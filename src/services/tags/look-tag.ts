import { fillMonths, togetherness } from "@/core/tags/cloud";
import { lookAlikes } from "@/core/tags/look-alike";
import {
  collectionsAbout,
  countUses,
  findTags,
  tagMonths,
  tagNames,
  tagsBeside,
  tagUses,
  withNames,
} from "@/data/queries/tags";
import { countIndexed } from "@/data/queries/terms";
import { now } from "@/outside/clock";
import { reading } from "../action";
import { Id } from "../input";
import { keptCounts } from "../find/kept-counts";
import { can } from "../policy";

const MONTHS = 24;
/** So many tags are shown to be tended. */
const MOST = 5_000;

class OneTag {
  @Id() tag: string;
}

export const lookAtTag = reading({
  name: "tags.look",
  about:
    "One tag: how much it is used and since when, by month, beside which others, and by which collections.",
  input: OneTag,
  allow: can.see("tag"),
  run: async ({ input, scope, tx }) => {
    const team = scope.team!;
    const [[row], uses, beside, months, collections] = await Promise.all([
      findTags(tx, team, [input.tag]),
      tagUses(tx, team, Infinity),
      tagsBeside(tx, team, input.tag, 20),
      tagMonths(tx, team, input.tag, back(now(), MONTHS)),
      collectionsAbout(tx, team, input.tag),
    ]);
    const counts = new Map(uses.map((one) => [one.id, one.count]));
    const own = uses.find((one) => one.id === input.tag);
    const count = own?.count ?? 0;
    return {
      tag: { id: row!.id, name: row!.name, count, last: own?.last ?? null, team },
      beside: beside.map((one) => ({
        ...one,
        count: counts.get(one.id) ?? 0,
        strength: togetherness(one.together, count, counts.get(one.id) ?? 0),
      })),
      months: fillMonths(months, now().toISOString().slice(0, 7), MONTHS),
      collections,
    };
  },
});

class OfTeam {
  @Id() team: string;
}

/** As they are kept: times as text. */
type Uses = {
  uses: [tag: string, count: number, last: string | null][];
  months: [month: string, n: number][];
};
const usesOf = keptCounts<Uses>("tags", async (tx, team) => {
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

/** The first of the month so many months back. */
const back = (from: Date, months: number) =>
  new Date(Date.UTC(from.getUTCFullYear(), from.getUTCMonth() - months + 1, 1));
