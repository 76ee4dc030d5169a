import { collectionTree, sumsOfTeam } from "@/data/queries/collections";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class OfTeam {
  @Id() team: string;
}

const NOTHING = { items: 0, minutes: 0, waiting: 0, failed: 0 };

export const readTree = reading({
  name: "collections.tree",
  about: "All collections of a team, with the one each stands in and what it holds by itself.",
  input: OfTeam,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const [tree, sums] = await Promise.all([collectionTree(tx, input.team), sumsOfTeam(tx, input.team)]);
    return {
      collections: tree.map(({ id, parent, title, audience, awayAt }) => ({
        id,
        parent,
        title,
        audience,
        away: awayAt !== null,
        ...(sums.get(id) ?? NOTHING),
      })),
    };
  },
});
