import { and, asc, desc, eq, inArray, isNull, max, ne, or, sql } from "drizzle-orm";
import type { Criterion } from "@/core/appraise/criteria";
import type { Tx } from "../database";
import {
  agreed,
  appraisal,
  criteria,
  criteriaVersion,
  membership,
  person,
  placement,
  resource,
  round,
  roundShare,
  searchRecord,
  section,
} from "../schema";
import { inParts } from "../sql/by-keys";

export type CriteriaRow = typeof criteria.$inferSelect;
export type RoundRow = typeof round.$inferSelect;
export type AppraisalRow = typeof appraisal.$inferSelect;
export type SearchRecordRow = typeof searchRecord.$inferSelect;
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

/** The same of rounds. */
export async function lockRounds(tx: Tx, ids: readonly string[]): Promise<Map<string, RoundRow>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select()
    .from(round)
    .where(inArray(round.id, [...ids]))
    .orderBy(round.id)
    .for("update");
  return new Map(rows.map((row) => [row.id, row]));
}

/** The same of searches that were made for a review. */
export async function lockSearchRecords(
  tx: Tx,
  ids: readonly string[],
): Promise<Map<string, SearchRecordRow>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select()
    .from(searchRecord)
    .where(inArray(searchRecord.id, [...ids]))
    .orderBy(searchRecord.id)
    .for("update");
  return new Map(rows.map((row) => [row.id, row]));
}

/** A search that was made, in the bin or not; null when there is none. */
export async function findSearchRecord(tx: Tx, id: string): Promise<SearchRecordRow | null> {
  return (await tx.select().from(searchRecord).where(eq(searchRecord.id, id)))[0] ?? null;
}

/** The searches that were made for a review, in the order in which they were written down. */
export async function searchRecordsOf(tx: Tx, roundId: string) {
  return tx
    .select({
      ...{ id: searchRecord.id, kind: searchRecord.kind, source: searchRecord.source },
      ...{ searched: searchRecord.searched, words: searchRecord.words, hits: searchRecord.hits },
    })
    .from(searchRecord)
    .where(and(eq(searchRecord.round, roundId), isNull(searchRecord.deletedAt)))
    .orderBy(asc(searchRecord.id))
    .limit(MOST_SHOWN);
}

/** So many sets, and so many rounds, of a team are shown, the newest. */
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

/** A round by its id, in the bin or not; null when there is none. */
export async function findRound(tx: Tx, id: string): Promise<RoundRow | null> {
  return (await tx.select().from(round).where(eq(round.id, id)))[0] ?? null;
}

/** The rounds of a team, the newest first, with how much of each is judged, by everybody and by one. */
export async function roundsOf(tx: Tx, team: string, who: string) {
  const rounds = await tx
    .select({
      ...{ id: round.id, title: round.title, state: round.state, blind: round.blind, each: round.each },
      ...{ criteria: round.criteria, criteriaName: criteria.name, createdAt: round.createdAt },
    })
    .from(round)
    .innerJoin(criteria, eq(criteria.id, round.criteria))
    .where(and(eq(round.team, team), isNull(round.deletedAt)))
    .orderBy(desc(round.id))
    .limit(MOST_SHOWN);
  if (!rounds.length) return [];
  const done = sql`sum(${appraisal.id} is not null)`;
  const own = sql`${roundShare.person} = ${who}`;
  const counts = await tx
    .select({
      round: roundShare.round,
      all: sql`count(*)`.mapWith(Number),
      done: done.mapWith(Number),
      mine: sql`sum(${own})`.mapWith(Number),
      mineDone: sql`sum(${own} and ${appraisal.id} is not null)`.mapWith(Number),
      things: sql`count(distinct ${roundShare.position})`.mapWith(Number),
    })
    .from(roundShare)
    .innerJoin(resource, and(eq(resource.id, roundShare.resource), isNull(resource.deletedAt)))
    .leftJoin(appraisal, and(isSaidInRound, eq(appraisal.whole, true)))
    .where(
      inArray(
        roundShare.round,
        rounds.map(({ id }) => id),
      ),
    )
    .groupBy(roundShare.round);
  const nothing = { all: 0, done: 0, mine: 0, mineDone: 0, things: 0 };
  return rounds.map((one) => {
    const { round: _, ...count } = counts.find((its) => its.round === one.id) ?? { round: "", ...nothing };
    return { ...one, ...count };
  });
}

/** That an appraisal is what who shall judge the thing said of it in the round. */
const isSaidInRound = and(
  eq(appraisal.round, roundShare.round),
  eq(appraisal.resource, roundShare.resource),
  eq(appraisal.person, roundShare.person),
  isNull(appraisal.deletedAt),
);

/**
 * What is judged in a round, in its order, each with who shall judge it; what lies in the bin is left out. Of two thousand things
 * and eight people two thousand rows come, and not sixteen thousand.
 */
export async function sharedOut(tx: Tx, id: string) {
  const shares = tx
    .select({
      position: roundShare.position,
      resource: roundShare.resource,
      people: sql<string>`group_concat(${roundShare.person})`.as("people"),
      thirds: sql<string | null>`group_concat(if(${roundShare.third}, ${roundShare.person}, null))`.as(
        "thirds",
      ),
    })
    .from(roundShare)
    .where(eq(roundShare.round, id))
    .groupBy(roundShare.position, roundShare.resource)
    .as("shares");
  const rows = await tx
    .select({
      ...{ id: resource.id, title: resource.title, siteName: resource.siteName, kind: resource.kind },
      ...{ published: resource.published, people: shares.people, thirds: shares.thirds },
    })
    .from(shares)
    .innerJoin(resource, and(eq(resource.id, shares.resource), isNull(resource.deletedAt)))
    .orderBy(asc(shares.position));
  return rows.map(({ people, thirds, ...thing }) => ({
    ...{ thing, people: people.split(",") },
    thirds: thirds?.split(",") ?? [],
  }));
}

/** What stands in a collection, each once, in its order; text that only stands between the items is nothing to judge. */
export async function resourcesIn(tx: Tx, collection: string, most: number): Promise<string[]> {
  const rows = await tx
    .select({ id: placement.resource })
    .from(placement)
    .innerJoin(resource, and(eq(resource.id, placement.resource), isNull(resource.deletedAt)))
    .leftJoin(section, eq(section.id, placement.section))
    .where(and(eq(placement.collection, collection), isNull(placement.deletedAt), ne(placement.look, "text")))
    .orderBy(sql`coalesce(${section.position}, '')`, asc(placement.position), asc(placement.id))
    .limit(most);
  return [...new Set(rows.map((row) => row.id))];
}

/** Writes down who shall judge what. */
export async function addShares(tx: Tx, rows: (typeof roundShare.$inferInsert)[]): Promise<void> {
  await inParts(rows, (part) => tx.insert(roundShare).values(part), 500);
}

/** What people have said in a round. */
export async function appraisalsInRound(tx: Tx, id: string) {
  return tx
    .select({
      ...{ resource: appraisal.resource, person: appraisal.person },
      ...{ answers: appraisal.answers, whole: appraisal.whole },
    })
    .from(appraisal)
    .where(and(eq(appraisal.round, id), isNull(appraisal.deletedAt)));
}

/** What was agreed on of the things of a round. */
export async function agreedInRound(tx: Tx, id: string) {
  return tx
    .select({
      resource: agreed.resource,
      answers: agreed.answers,
      people: agreed.people,
      updatedAt: agreed.updatedAt,
    })
    .from(agreed)
    .where(and(eq(agreed.round, id), isNull(agreed.deletedAt)));
}

/** Who shall judge a resource in a round, each with where it stands there; nobody when it is not among its things. */
export async function judgesOf(tx: Tx, id: string, resourceId: string) {
  return tx
    .select({ person: roundShare.person, position: roundShare.position, third: roundShare.third })
    .from(roundShare)
    .where(and(eq(roundShare.round, id), eq(roundShare.resource, resourceId)));
}

/** Asks nobody as a third any more who was. */
export async function dropShare(tx: Tx, id: string, by: { resource: string; person: string }): Promise<void> {
  await tx
    .delete(roundShare)
    .where(
      and(
        eq(roundShare.round, id),
        eq(roundShare.resource, by.resource),
        eq(roundShare.person, by.person),
        eq(roundShare.third, true),
      ),
    );
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

/** As long as the round is not opened; and of a third, as long as it is not done. */
const isToBeJudged = or(
  eq(round.state, "judging"),
  and(eq(round.state, "settling"), eq(roundShare.third, true)),
);

/**
 * How much somebody has still to judge in the rounds of a team.
 * @param most more are not counted
 */
export async function countToJudge(tx: Tx, team: string, who: string, most: number): Promise<number> {
  const rows = await tx
    .select({ position: roundShare.position })
    .from(roundShare)
    .innerJoin(
      round,
      and(eq(round.id, roundShare.round), eq(round.team, team), isToBeJudged, isNull(round.deletedAt)),
    )
    .innerJoin(resource, and(eq(resource.id, roundShare.resource), isNull(resource.deletedAt)))
    .leftJoin(appraisal, and(isSaidInRound, eq(appraisal.whole, true)))
    .where(and(eq(roundShare.person, who), isNull(appraisal.id)))
    .limit(most);
  return rows.length;
}

/** The rounds in which somebody has still something to judge, in all their teams, the oldest first. */
export async function toJudgeOf(tx: Tx, who: string, most: number) {
  return tx
    .select({
      ...{ round: round.id, team: round.team, title: round.title },
      left: sql<number>`count(*)`.mapWith(Number),
    })
    .from(roundShare)
    .innerJoin(round, and(eq(round.id, roundShare.round), isToBeJudged, isNull(round.deletedAt)))
    .innerJoin(membership, and(eq(membership.team, round.team), eq(membership.person, who)))
    .innerJoin(resource, and(eq(resource.id, roundShare.resource), isNull(resource.deletedAt)))
    .leftJoin(appraisal, and(isSaidInRound, eq(appraisal.whole, true)))
    .where(and(eq(roundShare.person, who), isNull(appraisal.id)))
    .groupBy(round.id)
    .orderBy(round.id)
    .limit(most);
}
