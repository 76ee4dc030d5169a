import { loadOf, sumOf } from "@/core/fit/load";
import { paceAt } from "@/core/fit/pace";
import { groupBy } from "@/core/list/group-by";
import { treeLines } from "@/core/list/tree-moves";
import { aimsOf, timesIn } from "@/data/queries/load";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadCourse {
  @Id() team: string;
}

export const readLoadOfCourse = reading({
  name: "load.course",
  about:
    "How long one is busy with each collection of a team, by reading, playing and what is done with things, beside how long it shall take. What is for whoever has time left is not counted.",
  input: ReadCourse,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const all = await aimsOf(tx, input.team);
    const tree = new Map(all.map((one) => [one.id, one]));
    const times = await timesIn(
      tx,
      all.map(({ id }) => id),
    );
    const inside = groupBy(
      times.filter(({ beyond }) => !beyond),
      ({ collection }) => collection,
    );
    return {
      collections: treeLines(all, new Set()).map(({ node: { id, parent, title, aimMinutes }, depth }) => {
        const { pace } = paceAt(tree, id);
        const load = sumOf((inside.get(id) ?? []).map((one) => loadOf(one, pace)));
        return { ...{ id, parent, title, depth, aimMinutes, pace }, ...load };
      }),
    };
  },
});
