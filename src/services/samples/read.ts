import { sampleIdentity, sampleItems } from "@/core/sample/sample";
import { collectionTree } from "@/data/queries/collections";
import { collectionsHolding, resourcesByHash } from "@/data/queries/resources";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { identityHash } from "@/outside/hash";

class ReadSample {
  @Id() team: string;
}

export const readSample = reading({
  name: "samples.read",
  about: "What is there of the made-up collection to try: its things, and the collections they stand in.",
  input: ReadSample,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const hashes = sampleItems().map((item) => identityHash(sampleIdentity(item)));
    const rows = [...(await resourcesByHash(tx, input.team, hashes)).values()];
    const resources = rows.filter((row) => !row.deletedAt).map((row) => row.id);
    if (!resources.length) return { resources, collections: [] };
    // What lies in the bin holds its things still.
    const alive = new Set((await collectionTree(tx, input.team)).map((one) => one.id));
    const collections = await collectionsHolding(tx, resources);
    return { resources, collections: collections.filter((id) => alive.has(id)) };
  },
});
