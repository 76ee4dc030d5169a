import { byRule } from "@/core/health/house";
import { placementsOfResources } from "@/data/queries/links";
import { action } from "@/mechanism/action";
import { Id, Ids, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { countOf } from "@/mechanism/say-count";
import { leadTo } from "../placements/relink";
import { houseRule, MOST_OF_HOUSE } from "./house";

class MendHouse {
  @Id() team: string;
  /** What the addresses begin with that have moved. */
  @Name("an address", 2_000) from: string;
  /** What they begin with now. */
  @Name("an address", 2_000) to: string;
  /** Which of them are led there. */
  @Ids(MOST_OF_HOUSE) resources: string[];
}

export const mendHouse = action({
  name: "links.mend-house",
  about:
    "Lets everything that leads to pages of a site that has moved house lead to where they stand now: what begins with one address begins with another. One step takes all of it back.",
  input: MendHouse,
  allow: can.arrange("team"),
  // With every collection they stand in: nothing comes or goes there meanwhile.
  locks: ({ input }) => ({ resources: input.resources }),
  history: ({ changes }) => `mend ${countOf(changes, "placement", "a link", "links")}`,
  run: async ({ input, scope, tx, locked, set }) => {
    const whose = { team: scope.team!, person: scope.person! };
    const { rule } = houseRule(input.from, input.to);
    let mended = 0;
    for (const id of new Set(input.resources)) {
      locked.mustBeOfTeam("resource", id, input.team);
      const address = byRule(rule, locked.resource(id).address);
      // What others led elsewhere meanwhile has nothing to be led.
      if (!address) throw fieldProblem("from", "house-left");
      for (const item of await placementsOfResources(tx, [id])) {
        await leadTo({ tx, set }, whose, item, address);
        mended++;
      }
    }
    return { mended };
  },
});
