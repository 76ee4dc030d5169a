import { and, asc, desc, eq, inArray, isNull } from "drizzle-orm";
import type { Tx } from "../database";
import { section } from "../schema";

export type SectionRow = typeof section.$inferSelect;

/** A section, in the bin or not. */
export async function findSection(tx: Tx, id: string): Promise<SectionRow | null> {
  return (await tx.select().from(section).where(eq(section.id, id)))[0] ?? null;
}

/** The last section of a collection. */
export async function lastSection(tx: Tx, collection: string): Promise<string | null> {
  const [last] = await tx
    .select({ id: section.id })
    .from(section)
    .where(and(eq(section.collection, collection), isNull(section.deletedAt)))
    .orderBy(desc(section.position), desc(section.id))
    .limit(1);
  return last?.id ?? null;
}

/** The sections of several collections that are not in the bin. */
export async function sectionsIn(tx: Tx, collections: readonly string[]): Promise<SectionRow[]> {
  if (!collections.length) return [];
  return tx
    .select()
    .from(section)
    .where(and(inArray(section.collection, [...collections]), isNull(section.deletedAt)));
}

/** What happens in each section of a lesson. */
export async function phasesOf(tx: Tx, id: string) {
  return tx
    .select({
      id: section.id,
      title: section.title,
      minutes: section.minutes,
      teacher: section.teacher,
      learners: section.learners,
    })
    .from(section)
    .where(and(eq(section.collection, id), isNull(section.deletedAt)))
    .orderBy(asc(section.position), asc(section.id));
}
