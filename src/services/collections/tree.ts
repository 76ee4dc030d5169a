import { audienceNow } from "@/core/publish/opens";
import { collectionTree, sumsOfTeam } from "@/data/queries/collections";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";

class OfTeam {
  @Id() team: string;
}

const NOTHING = { items: 0, minutes: 0, waiting: 0, failed: 0 };

export const readTree = reading({
  name: "collections.tree",
  about: "All collections of a team, with the one each stands in and what it holds by itself.",
  input: OfTeam,
  allow: can.seeHere("team"),
  run: async ({ input, scope, tx }) => {
    const [all, sums] = await Promise.all([collectionTree(tx, input.team), sumsOfTeam(tx, input.team)]);
    const sees = (id: string) => scope.sight?.has(id) ?? true;
    const tree = all.filter((one) => sees(one.id));
    const at = now();
    return {
      collections: tree.map(({ id, parent, title, awayAt, hiddenAt, ...one }) => ({
        id,
        // What a guest was let into stands at the top for them.
        parent: parent && sees(parent) ? parent : null,
        title,
        audience: audienceNow({ ...one, hiddenAt }, at),
        away: awayAt !== null,
        ...(sums.get(id) ?? NOTHING),
      })),
    };
  },
});
