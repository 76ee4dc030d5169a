import { fillMonths, togetherness } from "@/core/tags/cloud";
import { collectionsAbout, findTags, tagMonths, tagsBeside } from "@/data/queries/tags";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { back, MONTHS } from "./months";
import { tagUses } from "./uses";

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
