import { isPlayed, loadOf } from "@/core/fit/load";
import { judgedOf } from "@/core/fit/judged";
import { paceAt } from "@/core/fit/pace";
import { groupBy } from "@/core/list/group-by";
import { aimsOf, itemsToFit, saidOf, sectionsToFit } from "@/data/queries/load";
import { outcomesOf, servedBy } from "@/data/queries/outcomes";
import { lixAmong } from "@/data/queries/texts-and-files";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

/** More than that no choice is made of. */
const MOST = 2_000;

type Tree = ReadonlyMap<string, Awaited<ReturnType<typeof aimsOf>>[number]>;

/** How fast the readers of what a collection stands in read, and what that is called. */
function paceAbove(tree: Tree, parent: string | null) {
  const { pace, from } = paceAt(tree, parent ?? "");
  return { pace, title: from === null ? null : tree.get(from)!.title };
}

class ReadLoad {
  @Id() collection: string;
}

export const readLoad = reading({
  name: "load.read",
  about:
    "How long one is busy with everything in a collection, section by section, and all that decides on what stays when it has to fit into the time: what must stay, what serves which outcome, how hard it is, how good it was judged.",
  input: ReadLoad,
  allow: can.see("collection"),
  run: async ({ input: { collection: id }, scope, tx }) => {
    const all = await aimsOf(tx, scope.team!);
    const tree = new Map(all.map((one) => [one.id, one]));
    const collection = tree.get(id);
    // What is put away takes nobody's time.
    if (!collection) throw new Problem("not-found");
    const [sections, items] = await Promise.all([sectionsToFit(tx, id), itemsToFit(tx, id, MOST)]);
    const resources = [...new Set(items.map(({ resource }) => resource))];
    const [lix, said, serves, outcomes] = await Promise.all([
      lixAmong(tx, resources),
      saidOf(tx, resources),
      servedBy(
        tx,
        items.map((one) => one.id),
      ),
      outcomesOf(tx, scope.team!),
    ]);
    const judged = judgedOf(said);
    const served = groupBy(serves, ({ placement }) => placement);
    const known = new Set(outcomes.map((one) => one.id));
    const { pace } = paceAt(tree, id);
    const { title, aimMinutes, aimLevel, readingPace } = collection;
    return {
      collection: { id, title, aimMinutes, aimLevel, readingPace },
      /** How many words of English its learners read in a minute. */
      pace,
      /** The same if nothing were said of itself, and of which collection it was said then. */
      above: paceAbove(tree, collection.parent),
      sections,
      outcomes: outcomes
        .filter((one) => serves.some(({ outcome }) => outcome === one.id))
        .map(({ id, code, title }) => ({ id, code, title })),
      items: items.map((item) => ({
        ...{ id: item.id, section: item.section, title: item.heading || item.title, kind: item.kind },
        ...{ host: item.host, mustStay: item.mustStay, taskMinutes: item.taskMinutes },
        ...{ plays: isPlayed(item.kind), between: item.look === "text", load: loadOf(item, pace) },
        ...{ lix: lix.get(item.resource) ?? null, judged: judged.get(item.resource) ?? null },
        serves: (served.get(item.id) ?? [])
          .filter(({ outcome }) => known.has(outcome))
          .map(({ outcome, degree }) => ({ outcome, full: degree === "full" })),
      })),
    };
  },
});
