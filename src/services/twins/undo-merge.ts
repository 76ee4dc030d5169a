import { eq, inArray } from "drizzle-orm";
import { lockMerge } from "@/data/queries/twins";
import { touchCollectionsOf } from "@/data/queries/resources";
import { placement, resource, resourceTag, trayEntry, twinMerge } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class UndoMerge {
  @Id() merge: string;
}

export const undoMerge = action({
  name: "twins.undo",
  about: "Takes a merge back: both resources are there again, each with what it had.",
  input: UndoMerge,
  allow: can.arrange("merge"),
  run: async ({ input, tx, tell }) => {
    const merge = (await lockMerge(tx, input.merge))!;
    if (merge.undoneAt) return { resource: merge.gone };
    const at = now();
    const { fields, placements, tags, tray } = merge.before;
    await tx
      .update(resource)
      .set({ deletedAt: null, twinOf: merge.kept < merge.gone ? merge.kept : null, updatedAt: at })
      .where(eq(resource.id, merge.gone));
    await tx
      .update(resource)
      .set({ ...fields, updatedAt: at })
      .where(eq(resource.id, merge.kept));
    if (placements.length)
      await tx.update(placement).set({ resource: merge.gone }).where(inArray(placement.id, placements));
    if (tags.length) await tx.delete(resourceTag).where(inArray(resourceTag.id, tags));
    if (tray.length)
      await tx.update(trayEntry).set({ resource: merge.gone }).where(inArray(trayEntry.id, tray));
    await tx.update(twinMerge).set({ undoneAt: at }).where(eq(twinMerge.id, merge.id));
    await touchCollectionsOf(tx, [merge.kept, merge.gone], at);
    tell({ subject: merge.kept, verb: "resources.unmerged", data: { gone: merge.gone } });
    return { resource: merge.gone };
  },
});
