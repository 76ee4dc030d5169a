import {
  binIfEmpty,
  binPlacements,
  binUnplaced,
  dropTagLinks,
  lockImport,
  nextPart,
  writeImport,
  writePart,
} from "@/data/queries/imports";
import { reindexResources } from "@/data/search/reindex-queue";
import { changingByItself } from "@/mechanism/changing";

/**
 * Takes back the last part of an import that is still there. What somebody has placed elsewhere since stays;
 * collections go when nothing else stands in them. All of it can be found in the bin.
 * @param id of the import
 * @returns whether there is more to take back
 */
export const stepUndo = (id: string): Promise<boolean> =>
  changingByItself(async (tx, begin) => {
    const row = await lockImport(tx, id);
    if (!row || row.state !== "undoing") return false;
    const set = begin({ team: row.team, person: row.person });
    const part = await nextPart(tx, id, "done", true);
    if (!part) {
      // The inner ones first.
      for (const place of row.standing.toReversed()) if (place.made) await binIfEmpty(tx, place, set.at);
      await writeImport(tx, id, { state: "undone", updatedAt: set.at });
      set.emit({ subject: id, verb: "imports.undone", data: { name: row.name } });
      return false;
    }
    const outcomes = part.outcomes ?? [];
    const placements = outcomes.flatMap((one) => one.placement ?? []);
    await set.count(await binPlacements(tx, placements, set.at));
    await dropTagLinks(
      tx,
      outcomes.flatMap((one) => one.tags ?? []),
    );
    const made = outcomes.flatMap((one) => (one.became === "made" ? one.resource! : []));
    await binUnplaced(tx, made, set.at);
    // Tags and context lines went from what was here before, too.
    await reindexResources(
      tx,
      outcomes.flatMap((one) => one.resource ?? []),
    );
    await writePart(tx, id, part.no, { state: "undone" });
    await writeImport(tx, id, { done: Math.max(0, row.done - outcomes.length), updatedAt: set.at });
    return true;
  });
