import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Tx } from "@/data/database";
import { writeEvents } from "@/data/queries/events";
import { type IntakeRow, lockIntake, nextPart } from "@/data/queries/intakes";
import { dueResources } from "@/data/queries/due";
import { touchCollections } from "@/data/queries/resources";
import {
  collection,
  intake,
  intakePart,
  placement,
  resource,
  resourceTag,
  section,
  trayEntry,
} from "@/data/schema";
import { transact } from "@/data/transaction";
import { now } from "@/outside/clock";
import { signal } from "@/outside/signals";
import { asEvent, database } from "../action";

/**
 * Takes back the last part of an import that is still there. What somebody has placed elsewhere since stays;
 * collections go when nothing else stands in them. All of it can be found in the bin.
 * @returns whether there is more to take back
 */
export async function stepUndo(id: string): Promise<boolean> {
  const more = await transact(database(), async (tx) => {
    const row = await lockIntake(tx, id);
    if (!row || row.state !== "undoing") return false;
    const part = await nextPart(tx, id, "done", true);
    const at = now();
    if (!part) {
      await removePlaces(tx, row, at);
      await tx.update(intake).set({ state: "undone", updatedAt: at }).where(eq(intake.id, id));
      await writeEvents(tx, [
        {
          ...asEvent({ subject: id, data: { name: row.name } }, row.team, null, "intakes.undone"),
          actor: row.person,
        },
      ]);
      return false;
    }
    const outcomes = part.outcomes ?? [];
    const placements = outcomes.flatMap((one) => one.placement ?? []);
    const made = outcomes.flatMap((one) => (one.became === "made" ? one.resource! : []));
    const tags = outcomes.flatMap((one) => one.tags ?? []);
    if (placements.length) {
      const homes = await tx
        .selectDistinct({ id: placement.collection })
        .from(placement)
        .where(inArray(placement.id, placements));
      await tx
        .update(placement)
        .set({ deletedAt: at })
        .where(and(inArray(placement.id, placements), isNull(placement.deletedAt)));
      await touchCollections(tx, homes.map((one) => one.id).sort(), at);
    }
    if (tags.length) await tx.delete(resourceTag).where(inArray(resourceTag.id, tags));
    if (made.length) {
      const kept = await tx
        .selectDistinct({ id: placement.resource })
        .from(placement)
        .where(and(inArray(placement.resource, made), isNull(placement.deletedAt)));
      const keep = new Set(kept.map((one) => one.id));
      const gone = made.filter((one) => !keep.has(one));
      if (gone.length) {
        await tx.update(resource).set({ deletedAt: at }).where(inArray(resource.id, gone));
        await dueResources(tx, gone);
        await tx.delete(trayEntry).where(inArray(trayEntry.resource, gone));
      }
    }
    await tx
      .update(intakePart)
      .set({ state: "undone" })
      .where(and(eq(intakePart.intake, id), eq(intakePart.no, part.no)));
    await tx
      .update(intake)
      .set({ done: sql`greatest(0, ${intake.done} - ${outcomes.length})`, updatedAt: at })
      .where(eq(intake.id, id));
    return true;
  });
  signal("events");
  return more;
}

/** Collections and sections the import made, the inner ones first, where nothing stands in them any more. */
async function removePlaces(tx: Tx, row: IntakeRow, at: Date): Promise<void> {
  for (const { id, section: isSection, made } of row.standing.toReversed()) {
    if (!made) continue;
    const [inside] = await tx
      .select({ id: placement.id })
      .from(placement)
      .where(and(eq(isSection ? placement.section : placement.collection, id), isNull(placement.deletedAt)))
      .limit(1);
    if (inside) continue;
    if (isSection) {
      await tx.update(section).set({ deletedAt: at }).where(eq(section.id, id));
      continue;
    }
    const [child] = await tx
      .select({ id: collection.id })
      .from(collection)
      .where(and(eq(collection.parent, id), isNull(collection.deletedAt)))
      .limit(1);
    if (!child) await tx.update(collection).set({ deletedAt: at }).where(eq(collection.id, id));
  }
}
