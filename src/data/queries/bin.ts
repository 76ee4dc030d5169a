import { and, desc, eq, isNotNull, isNull, lt, notExists } from "drizzle-orm";
import type { Tx } from "../database";
import {
  collection,
  comment,
  handout,
  learner,
  learnerGroup,
  mark,
  placement,
  resource,
  section,
  sheetFind,
  suggestion,
} from "../schema";

/**
 * Clears for good what has lain in the bin since before a time.
 * @param before what was deleted before this moment goes for good
 */
export async function clearBin(tx: Tx, before: Date): Promise<void> {
  // What stands in a section that goes stays in its collection.
  const sections = await tx.select({ id: section.id }).from(section).where(lt(section.deletedAt, before));
  for (const { id } of sections)
    await tx.update(placement).set({ section: null }).where(eq(placement.section, id));
  for (const table of [
    comment,
    mark,
    sheetFind,
    suggestion,
    handout,
    learner,
    learnerGroup,
    placement,
    section,
  ])
    await tx.delete(table).where(lt(table.deletedAt, before));
  // What learners were given is an edition of it.
  const given = tx.select({ id: handout.id }).from(handout).where(eq(handout.collection, collection.id));
  await tx.delete(collection).where(and(lt(collection.deletedAt, before), notExists(given)));
  await tx.delete(resource).where(lt(resource.deletedAt, before));
}

/** What lies in the bin of a team, latest first. */
export async function binOf(tx: Tx, teamId: string) {
  const [collections, placements, resources, sections] = await Promise.all([
    tx
      .select({ id: collection.id, title: collection.title, deletedAt: collection.deletedAt })
      .from(collection)
      .where(and(eq(collection.team, teamId), isNotNull(collection.deletedAt)))
      .limit(200),
    tx
      .select({
        id: placement.id,
        title: resource.title,
        where: collection.title,
        deletedAt: placement.deletedAt,
      })
      .from(placement)
      .innerJoin(resource, eq(resource.id, placement.resource))
      .innerJoin(collection, eq(collection.id, placement.collection))
      .where(
        and(
          eq(placement.team, teamId),
          isNotNull(placement.deletedAt),
          isNull(resource.deletedAt),
          isNull(collection.deletedAt),
        ),
      )
      .orderBy(desc(placement.deletedAt))
      .limit(200),
    tx
      .select({ id: resource.id, title: resource.title, deletedAt: resource.deletedAt })
      .from(resource)
      .where(and(eq(resource.team, teamId), isNotNull(resource.deletedAt)))
      .limit(200),
    tx
      .select({ id: section.id, title: section.title, where: collection.title, deletedAt: section.deletedAt })
      .from(section)
      .innerJoin(collection, eq(collection.id, section.collection))
      .where(and(eq(collection.team, teamId), isNotNull(section.deletedAt), isNull(collection.deletedAt)))
      .limit(200),
  ]);
  return [
    ...collections.map((row) => ({ ...row, what: "collection" as const, where: null })),
    ...placements.map((row) => ({ ...row, what: "placement" as const })),
    ...resources.map((row) => ({ ...row, what: "resource" as const, where: null })),
    ...sections.map((row) => ({ ...row, what: "section" as const })),
  ].sort((a, b) => b.deletedAt!.getTime() - a.deletedAt!.getTime());
}
