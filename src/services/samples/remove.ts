import { sampleIdentity, sampleItems } from "@/core/sample/sample";
import { insideOf } from "@/core/list/tree-moves";
import { collectionTree } from "@/data/queries/collections";
import { placementsIn } from "@/data/queries/placements";
import { action } from "@/mechanism/action";
import { Id, Ids } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { identityHash } from "@/outside/hash";

class RemoveSample {
  @Id() team: string;
  /** What `samples.read` said. */
  @Ids() resources: string[];
  @Ids() collections: string[];
}

export const removeSample = action({
  name: "samples.remove",
  about:
    "Puts the made-up collection to try into the bin, with its things. A collection that holds something else by now stays, without them.",
  input: RemoveSample,
  allow: can.arrange("team"),
  locks: ({ input }) => ({ team: true, collections: input.collections, resources: input.resources }),
  history: "put the collection to try away",
  run: async ({ input, scope, tx, locked, remove }) => {
    const team = scope.team!;
    const samples = new Set(sampleItems().map((item) => identityHash(sampleIdentity(item))));
    const rows = locked.resourcesOf(input.resources, team).filter((row) => samples.has(row.addressHash));
    const things = new Set(rows.map((row) => row.id));
    const tree = await collectionTree(tx, team);
    const gone: string[] = [];
    for (const id of input.collections) {
      const { team: whose, deletedAt } = locked.collection(id);
      if (whose !== team) throw new Problem("not-found");
      if (deletedAt) continue;
      const held = await placementsIn(tx, id);
      const isSample = held.length > 0 && held.every((one) => things.has(one.resource));
      if (isSample && insideOf(tree, id).size === 1) gone.push(id);
    }
    await remove(
      "collection",
      gone.map((id) => ({ id })),
      { say: { count: gone.length } },
    );
    await remove("resource", rows, { say: ({ title }) => ({ title }) });
    return { removed: rows.length, collections: gone };
  },
});
