import { and, asc, desc, eq, inArray, isNull, max, ne, or } from "drizzle-orm";
import type { Criterion } from "@/core/appraise/criteria";
import type { Tx } from "../database";
import { agreed, appraisal, criteria, criteriaVersion, person, round } from "../schema";

export type CriteriaRow = typeof criteria.$inferSelect;
export type AppraisalRow = typeof appraisal.$inferSelect;
export type AgreedRow = typeof agreed.$inferSelect;

/** Sets of criteria by id, locked in the order of their ids, those in the bin too. */
export async function lockCriteria(tx: Tx, ids: readonly string[]): Promise<Map<string, CriteriaRow>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select()
    .from(criteria)
    .where(inArray(criteria.id, [...ids]))
    .orderBy(criteria.id)
    .for("update");
  return new Map(rows.map((row) => [row.id, row]));
}

/** So many sets of a team are shown. */
const MOST_SHOWN = 200;

/** The sets of a team by their names, as they ask now. */
export async function criteriaOf(tx: Tx, team: string) {
  return tx
    .select({
      id: criteria.id,
      name: criteria.name,
      number: criteria.version,
      content: criteriaVersion.content,
    })
    .from(criteria)
    .innerJoin(
      criteriaVersion,
      and(eq(criteriaVersion.criteria, criteria.id), eq(criteriaVersion.number, criteria.version)),
    )
    .where(and(eq(criteria.team, team), isNull(criteria.deletedAt)))
    .orderBy(asc(criteria.name), asc(criteria.id))
    .limit(MOST_SHOWN);
}

/** A set by its id, in the bin or not; null when there is none. */
export async function findCriteria(tx: Tx, id: string): Promise<CriteriaRow | null> {
  return (await tx.select().from(criteria).where(eq(criteria.id, id)))[0] ?? null;
}

/** What a set asked at that number; null when it never had it. */
export async function criteriaAt(tx: Tx, id: string, number: number): Promise<Criterion[] | null> {
  const rows = await tx
    .select({ content: criteriaVersion.content })
    .from(criteriaVersion)
    .where(and(eq(criteriaVersion.criteria, id), eq(criteriaVersion.number, number)));
  return rows[0]?.content ?? null;
}

/** Keeps what a set asks from now on. @returns its number */
export async function addCriteriaVersion(
  tx: Tx,
  id: string,
  content: Criterion[],
  at: Date,
): Promise<number> {
  const rows = await tx
    .select({ last: max(criteriaVersion.number) })
    .from(criteriaVersion)
    .where(eq(criteriaVersion.criteria, id));
  const number = (rows[0]?.last ?? 0) + 1;
  await tx.insert(criteriaVersion).values({ criteria: id, number, content, createdAt: at });
  return number;
}

/** What somebody thinks of a resource by a set of criteria, taken back or not; null when they never judged it. */
export async function findAppraisal(
  tx: Tx,
  by: { resource: string; criteria: string; person: string; round: string | null },
): Promise<AppraisalRow | null> {
  const rows = await tx
    .select()
    .from(appraisal)
    .where(
      and(
        eq(appraisal.resource, by.resource),
        eq(appraisal.criteria, by.criteria),
        eq(appraisal.person, by.person),
        by.round ? eq(appraisal.round, by.round) : isNull(appraisal.round),
      ),
    );
  return rows[0] ?? null;
}

/** What was agreed on of a resource in a round, taken back or not; null when nothing ever was. */
export async function findAgreed(tx: Tx, by: { resource: string; round: string }): Promise<AgreedRow | null> {
  const rows = await tx
    .select()
    .from(agreed)
    .where(and(eq(agreed.round, by.round), eq(agreed.resource, by.resource)));
  return rows[0] ?? null;
}

/** What people said of a resource on their own, taken back or not: what is said in a round stays with its thing. */
export async function ownAppraisalsOf(tx: Tx, resourceId: string): Promise<AppraisalRow[]> {
  return tx
    .select()
    .from(appraisal)
    .where(and(eq(appraisal.resource, resourceId), isNull(appraisal.round)));
}

/**
 * What people think of a resource, with the words they answered. What others said of a thing in a blind round that is still
 * being judged is left out.
 */
export async function appraisalsOf(tx: Tx, resourceId: string, who: string) {
  const rows = await tx
    .select({
      ...{ id: appraisal.id, person: appraisal.person, name: person.name, answers: appraisal.answers },
      ...{ round: appraisal.round },
      ...{ whole: appraisal.whole, copy: appraisal.copy, updatedAt: appraisal.updatedAt },
      ...{ criteria: criteria.id, criteriaName: criteria.name, content: criteriaVersion.content },
    })
    .from(appraisal)
    .innerJoin(criteria, eq(criteria.id, appraisal.criteria))
    .innerJoin(
      criteriaVersion,
      and(eq(criteriaVersion.criteria, appraisal.criteria), eq(criteriaVersion.number, appraisal.number)),
    )
    .leftJoin(person, eq(person.id, appraisal.person))
    .leftJoin(round, eq(round.id, appraisal.round))
    .where(
      and(
        eq(appraisal.resource, resourceId),
        isNull(appraisal.deletedAt),
        isNull(round.deletedAt),
        or(eq(appraisal.person, who), isNull(round.id), eq(round.blind, false), ne(round.state, "judging")),
      ),
    )
    .orderBy(asc(criteria.name), asc(appraisal.updatedAt));
  return rows;
}

/** What was agreed on of a resource in rounds, with the words that were answered, the last first. */
export async function agreedOf(tx: Tx, resourceId: string) {
  return tx
    .select({
      ...{ id: agreed.id, answers: agreed.answers, updatedAt: agreed.updatedAt },
      ...{ round: round.id, roundTitle: round.title },
      ...{ criteria: criteria.id, criteriaName: criteria.name, content: criteriaVersion.content },
    })
    .from(agreed)
    .innerJoin(round, and(eq(round.id, agreed.round), isNull(round.deletedAt)))
    .innerJoin(criteria, eq(criteria.id, agreed.criteria))
    .innerJoin(
      criteriaVersion,
      and(eq(criteriaVersion.criteria, agreed.criteria), eq(criteriaVersion.number, agreed.number)),
    )
    .where(and(eq(agreed.resource, resourceId), isNull(agreed.deletedAt)))
    .orderBy(desc(agreed.updatedAt));
}
