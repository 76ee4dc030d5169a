import { and, asc, count, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { event, handout, historyEntry, learner, learnerGroup } from "../schema";
import { inParts } from "../sql/by-keys";
import { code } from "../sql/code";

export type GroupRow = typeof learnerGroup.$inferSelect;
export type LearnerRow = typeof learner.$inferSelect;

/** Groups by id, locked in the order of their ids, those in the bin too. */
export async function lockGroups(tx: Tx, ids: readonly string[]): Promise<Map<string, GroupRow>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select()
    .from(learnerGroup)
    .where(inArray(learnerGroup.id, [...ids]))
    .orderBy(learnerGroup.id)
    .for("update");
  return new Map(rows.map((row) => [row.id, row]));
}

/** The same of those who are in them. */
export async function lockLearners(tx: Tx, ids: readonly string[]): Promise<Map<string, LearnerRow>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select()
    .from(learner)
    .where(inArray(learner.id, [...ids]))
    .orderBy(learner.id)
    .for("update");
  return new Map(rows.map((row) => [row.id, row]));
}

/** So many groups of a team are shown, the newest. */
const MOST_GROUPS = 500;

/** The groups of a team by their titles, with how many are in each and how much they were given. */
export async function groupsOf(tx: Tx, team: string) {
  const groups = await tx
    .select({ id: learnerGroup.id, title: learnerGroup.title, createdAt: learnerGroup.createdAt })
    .from(learnerGroup)
    .where(and(eq(learnerGroup.team, team), isNull(learnerGroup.deletedAt)))
    .orderBy(asc(learnerGroup.title), asc(learnerGroup.id))
    .limit(MOST_GROUPS);
  const ids = groups.map(({ id }) => id);
  if (!ids.length) return [];
  const members = await tx
    .select({ group: learner.group, count: count() })
    .from(learner)
    .where(and(inArray(learner.group, ids), isNull(learner.deletedAt)))
    .groupBy(learner.group);
  const given = await tx
    .select({ group: handout.group, count: count() })
    .from(handout)
    .where(and(inArray(handout.group, ids), isNull(handout.deletedAt)))
    .groupBy(handout.group);
  const of = (counted: { group: string; count: number }[], id: string) =>
    counted.find((one) => one.group === id)?.count ?? 0;
  return groups.map((group) => ({
    ...group,
    learners: of(members, group.id),
    handouts: of(given, group.id),
  }));
}

/** A group, in the bin or not; null when there is none. */
export async function findGroup(tx: Tx, id: string): Promise<GroupRow | null> {
  return (await tx.select().from(learnerGroup).where(eq(learnerGroup.id, id)))[0] ?? null;
}

/** Who is in a group, in the order in which they were written down. */
export async function learnersIn(tx: Tx, group: string): Promise<LearnerRow[]> {
  return tx
    .select()
    .from(learner)
    .where(and(eq(learner.group, group), isNull(learner.deletedAt)))
    .orderBy(asc(learner.id));
}

/** Somebody in a group, in the bin or not; null when there is nobody. */
export async function findLearner(tx: Tx, id: string): Promise<LearnerRow | null> {
  return (await tx.select().from(learner).where(eq(learner.id, id)))[0] ?? null;
}

/** Whose a card is that holds: not of somebody, nor of a group, that is in the bin. */
async function holder(tx: Tx, by: "card" | "code", given: string) {
  const rows = await tx
    .select({
      id: learner.id,
      name: learner.name,
      card: learner.card,
      team: learner.team,
      group: learnerGroup.id,
      groupTitle: learnerGroup.title,
    })
    .from(learner)
    .innerJoin(learnerGroup, eq(learnerGroup.id, learner.group))
    .where(and(eq(learner[by], code(given)), isNull(learner.deletedAt), isNull(learnerGroup.deletedAt)));
  return rows[0] ?? null;
}

/** Who holds the card with this long code in its address; null when nobody does. */
export const holderOf = (tx: Tx, card: string) => holder(tx, "card", card);
/** Who holds the card with this short code; null when nobody does. */
export const holderByCode = (tx: Tx, short: string) => holder(tx, "code", short);

/** Gives somebody another card; the old one opens nothing any more. */
export async function setCard(tx: Tx, id: string, card: { code: string; card: string }): Promise<void> {
  await tx.update(learner).set(card).where(eq(learner.id, id));
}

/**
 * Erases a group for good, with everything that hangs on it, and what events and histories say of those who were in it.
 * @returns how many were in it
 */
export async function eraseGroup(tx: Tx, teamId: string, id: string): Promise<number> {
  const [learners, handouts] = await Promise.all([
    tx.select({ id: learner.id }).from(learner).where(eq(learner.group, id)),
    tx.select({ id: handout.id }).from(handout).where(eq(handout.group, id)),
  ]);
  const erased = new Set([id, ...learners.map((one) => one.id), ...handouts.map((one) => one.id)]);
  await inParts(
    [...erased],
    (part) => tx.delete(event).where(and(eq(event.team, teamId), inArray(event.subject, part))),
    500,
  );
  // What somebody could take back of it says what they were called.
  const entries = await tx
    .select({ id: historyEntry.id, changes: historyEntry.changes })
    .from(historyEntry)
    .where(
      and(
        eq(historyEntry.team, teamId),
        sql`${historyEntry.changes} REGEXP '"type":"(group|learner|handout)"'`,
      ),
    );
  const theirs = entries.filter(({ changes }) => changes.some((change) => erased.has(change.id)));
  await inParts(
    theirs.map((one) => one.id),
    (part) => tx.delete(historyEntry).where(inArray(historyEntry.id, part)),
    500,
  );
  await tx.delete(learnerGroup).where(eq(learnerGroup.id, id));
  return learners.length;
}
