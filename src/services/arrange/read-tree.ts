import { collectionTree } from "@/data/queries/collections";
import { reading } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class OfTeam {
  @Id() team: string;
}

export const readTree = reading({
  name: "collections.tree",
  about: "All collections of a team, with the one each stands in.",
  input: OfTeam,
  allow: can.see("team"),
  run: async ({ input, tx }) => ({
    collections: (await collectionTree(tx, input.team)).map(({ id, parent, title, audience }) => ({
      id,
      parent,
      title,
      audience,
    })),
  }),
});
