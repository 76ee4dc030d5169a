import { endMerge, hangBack, lockMerge, writeDuplicate } from "@/data/queries/duplicates";
import { collectionsHolding } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class UndoMerge {
  @Id() merge: string;
}

export const undoMerge = action({
  name: "duplicates.undo-merge",
  about: "Takes a merge back: both resources are there again, each with what it had.",
  input: UndoMerge,
  allow: can.arrange("merge"),
  locks: null,
  history: null,
  run: async ({ input, tx, at, set, emit }) => {
    const merge = (await lockMerge(tx, input.merge))!;
    if (merge.undoneAt) return { resource: merge.gone };
    const duplicateOf = merge.kept < merge.gone ? merge.kept : null;
    await writeDuplicate(tx, merge.gone, { deletedAt: null, duplicateOf, updatedAt: at });
    await writeDuplicate(tx, merge.kept, { ...merge.before.fields, updatedAt: at });
    await hangBack(tx, merge.gone, merge.before);
    await endMerge(tx, merge.id, at);
    await set.count(await collectionsHolding(tx, [merge.kept, merge.gone]));
    emit({ subject: merge.kept, verb: "resources.unmerged", data: { gone: merge.gone } });
    return { resource: merge.gone };
  },
});
