import { and, asc, desc, eq, inArray, isNull, ne, or, sql } from "drizzle-orm";
import type { Tx } from "../database";
import {
  agreed,
  appraisal,
  criteria,
  membership,
  placement,
  resource,
  round,
  roundShare,
  section,
} from "../schema";
import { inParts } from "../sql/by-keys";

export type RoundRow = typeof round.$inferSelect;

/** So many rounds of a team are shown, the newest. */
const MOST_SHOWN = 200;

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
