import { fillMonths } from "@/core/tags/cloud";
import { lookAlikes } from "@/core/tags/look-alike";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { back, MONTHS } from "./months";
import { areBehind, monthsOfTags, tagUses } from "./uses";

/** So many tags are shown to be tended. */
const MOST = 5_000;

class OfTeam {
  @Id() team: string;
}

export const tendTags = reading({
  name: "tags.tend",
  about: "All tags of a team with their use by month, and those that look like the same word.",
  input: OfTeam,
  allow: can.see("team"),
  run: async ({ input: { team }, tx }) => {
    const [tags, months, old] = await Promise.all([
      tagUses(tx, team, MOST),
      monthsOfTags(tx, team, back(now(), MONTHS)),
      areBehind(tx, team),
    ]);
    return {
      tags,
      months: fillMonths(months, now().toISOString().slice(0, 7), MONTHS),
      alike: lookAlikes(tags).slice(0, 200),
      /** Whether something happened that may not be counted yet: ask again in a few seconds. */
      old,
    };
  },
});
