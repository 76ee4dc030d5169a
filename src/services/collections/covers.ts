import { collectionTree, itemCounts, threadsOf } from "@/data/queries/collections";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class OfTeam {
  @Id() team: string;
}

const SHOWN = 24;

export const readCovers = reading({
  name: "collections.covers",
  about: "The collections of a team changed last, with counts and what their covers are woven from.",
  input: OfTeam,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    // What was put away is out of the way here; the tree shows it.
    const all = (await collectionTree(tx, input.team)).filter((one) => !one.awayAt);
    const shown = all.toSorted((a, b) => b.updatedAt.getTime() - a.updatedAt.getTime()).slice(0, SHOWN);
    const counts = await itemCounts(
      tx,
      shown.map((one) => one.id),
    );
    const covers = await Promise.all(shown.map((one) => threadsOf(tx, one.id)));
    return {
      total: all.length,
      collections: shown.map(({ id, parent, title, audience, coverHash, updatedAt }, i) => ({
        id,
        parent,
        title,
        audience,
        coverHash,
        updatedAt,
        count: counts.get(id) ?? 0,
        inside: all.filter((one) => one.parent === id).length,
        cover: covers[i]!,
      })),
    };
  },
});
