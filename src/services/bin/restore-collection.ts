import { insideOf } from "@/core/list/tree-moves";
import { deletedAtOnce, findCollection } from "@/data/queries/collections";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RestoreCollection {
  @Id() collection: string;
}

export const restoreCollection = action({
  name: "bin.restore-collection",
  about: "Puts a collection back with everything in it; at the top, if the one around it is gone.",
  input: RestoreCollection,
  allow: can.restore("collection"),
  locks: ({ input }) => ({ team: true, collections: [input.collection] }),
  history: "put a collection back",
  run: async ({ input, tx, locked, restore }) => {
    const row = locked.collection(input.collection);
    if (!row.deletedAt) return { restored: input.collection };
    const around = row.parent ? await findCollection(tx, row.parent) : null;
    // Those inside it that went into the bin with it.
    const together = await deletedAtOnce(tx, row.team, row.deletedAt);
    const inside = insideOf(together, row.id);
    inside.delete(row.id);
    await restore("collection", row, { fields: around?.deletedAt ? { parent: null } : {} });
    await restore(
      "collection",
      together.filter(({ id }) => inside.has(id)),
    );
    return { restored: row.id };
  },
});
