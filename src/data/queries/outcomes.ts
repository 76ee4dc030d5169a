import { and, asc, count, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { agreed, appraisal, collection, outcome, placement, resource, section, serves } from "../schema";
import { inParts } from "../sql/by-keys";
import { minutesHere } from "../sql/minutes-here";

export type OutcomeRow = typeof outcome.$inferSelect;

/** The outcomes of a team, in the order in which they were written. */
export async function outcomesOf(tx: Tx, team: string) {
  return tx
    .select({ id: outcome.id, parent: outcome.parent, code: outcome.code, title: outcome.title })
    .from(outcome)
    .where(and(eq(outcome.team, team), isNull(outcome.deletedAt)))
    .orderBy(asc(outcome.id));
}

/** An outcome by its id, in the bin or not; null when there is none. */
export async function findOutcome(tx: Tx, id: string): Promise<OutcomeRow | null> {
  return (await tx.select().from(outcome).where(eq(outcome.id, id)))[0] ?? null;
}

/** How many outcomes a team has. */
export async function countOutcomes(tx: Tx, team: string): Promise<number> {
  const rows = await tx
    .select({ count: count() })
    .from(outcome)
    .where(and(eq(outcome.team, team), isNull(outcome.deletedAt)));
  return rows[0]!.count;
}

/** Outcomes by their ids, in the bin or not, locked in the order of their ids. */
export async function lockOutcomes(tx: Tx, ids: readonly string[]): Promise<OutcomeRow[]> {
  if (!ids.length) return [];
  return tx
    .select()
    .from(outcome)
    .where(inArray(outcome.id, [...ids]))
    .orderBy(asc(outcome.id))
    .for("update");
}

/** What is null stays so: nobody knows how long it is. */
const maybeNumber = (value: unknown): number | null => Number(value);

/** Whether somebody has judged a resource; what they think is not looked at. */
const isAppraised = sql<boolean>`(exists (select 1 from ${appraisal} a
    where a.resource = ${resource.id} and a.whole and a.deleted_at is null)
  or exists (select 1 from ${agreed} g where g.resource = ${resource.id} and g.deleted_at is null))`.mapWith(
  Boolean,
);

/** What serves the outcomes of a team, of everything that stands somewhere. */
export async function servingsOf(tx: Tx, team: string) {
  return tx
    .select({
      outcome: serves.outcome,
      placement: serves.placement,
      degree: serves.degree,
      collection: placement.collection,
      resource: placement.resource,
      minutes: minutesHere.mapWith(maybeNumber),
      appraised: isAppraised,
    })
    .from(outcome)
    .innerJoin(serves, eq(serves.outcome, outcome.id))
    .innerJoin(placement, and(eq(placement.id, serves.placement), isNull(placement.deletedAt)))
    .innerJoin(resource, and(eq(resource.id, placement.resource), isNull(resource.deletedAt)))
    .where(and(eq(outcome.team, team), isNull(outcome.deletedAt)));
}

/** What items serve, of these items. */
export async function servedBy(
  tx: Tx,
  placements: readonly string[],
): Promise<(typeof serves.$inferSelect)[]> {
  const all: (typeof serves.$inferSelect)[] = [];
  await inParts(
    placements,
    async (part) => {
      all.push(...(await tx.select().from(serves).where(inArray(serves.placement, part))));
    },
    500,
  );
  return all;
}

/** Items of a collection in their order, with how much each serves an outcome. */
export async function itemsServing(tx: Tx, outcomeId: string, collection: string, most: number) {
  return tx
    .select({
      placement: placement.id,
      heading: placement.heading,
      context: placement.context,
      title: resource.title,
      description: resource.description,
      language: resource.language,
      kind: resource.kind,
      minutes: minutesHere.mapWith(maybeNumber),
      degree: serves.degree,
      appraised: isAppraised,
    })
    .from(placement)
    .innerJoin(resource, and(eq(resource.id, placement.resource), isNull(resource.deletedAt)))
    .leftJoin(section, eq(section.id, placement.section))
    .leftJoin(serves, and(eq(serves.placement, placement.id), eq(serves.outcome, outcomeId)))
    .where(and(eq(placement.collection, collection), isNull(placement.deletedAt), eq(placement.look, "item")))
    .orderBy(sql`coalesce(${section.position}, '')`, asc(placement.position), asc(placement.id))
    .limit(most);
}

/** The collections whose readers are told of some outcomes, or of what some items serve. */
export async function collectionsTelling(
  tx: Tx,
  by: "outcome" | "placement",
  ids: readonly string[],
): Promise<string[]> {
  const found = new Set<string>();
  await inParts(
    ids,
    async (part) => {
      const rows = await tx
        .selectDistinct({ id: collection.id })
        .from(placement)
        .innerJoin(
          collection,
          and(eq(collection.id, placement.collection), eq(collection.showsOutcomes, true)),
        )
        .leftJoin(serves, eq(serves.placement, placement.id))
        .where(inArray(by === "outcome" ? serves.outcome : placement.id, part));
      for (const { id } of rows) found.add(id);
    },
    500,
  );
  return [...found];
}

/** What the items of a collection serve, where they stand, in the order in which the outcomes were written. */
export async function servedIn(tx: Tx, collectionId: string) {
  return tx
    .select({
      ...{ id: outcome.id, code: outcome.code, title: outcome.title },
      ...{ placement: placement.id, section: placement.section, forReaders: placement.forReaders },
    })
    .from(placement)
    .innerJoin(serves, eq(serves.placement, placement.id))
    .innerJoin(outcome, and(eq(outcome.id, serves.outcome), isNull(outcome.deletedAt)))
    .innerJoin(resource, and(eq(resource.id, placement.resource), isNull(resource.deletedAt)))
    .where(and(eq(placement.collection, collectionId), isNull(placement.deletedAt)))
    .orderBy(asc(outcome.id));
}
