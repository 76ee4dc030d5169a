import { and, asc, desc, eq, inArray, isNull, lt } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, mailMessage, resource, rule, ruleHit } from "../schema";

export type RuleRow = typeof rule.$inferSelect;

/** The rules of a team, the oldest first. */
export async function rulesOf(tx: Tx, team: string): Promise<RuleRow[]> {
  return tx
    .select()
    .from(rule)
    .where(and(eq(rule.team, team), isNull(rule.deletedAt)))
    .orderBy(asc(rule.id));
}

/** A rule, deleted or not; null when there is none. */
export async function findRule(tx: Tx, id: string): Promise<RuleRow | null> {
  return (await tx.select().from(rule).where(eq(rule.id, id)))[0] ?? null;
}

/** The sender of the mail a resource came with; empty when it came otherwise. */
export async function senderOf(tx: Tx, id: string): Promise<string> {
  const rows = await tx
    .select({ sender: mailMessage.sender })
    .from(mailMessage)
    .where(eq(mailMessage.resource, id))
    .limit(1);
  return rows[0]?.sender ?? "";
}

/** What rules did to resources, or suggest, with where they would go. */
export async function hitsOf(tx: Tx, resources: readonly string[]) {
  if (!resources.length) return [];
  return tx
    .select({
      id: ruleHit.id,
      resource: ruleHit.resource,
      state: ruleHit.state,
      rule: rule.name,
      tags: rule.tags,
      collection: rule.collection,
      collectionTitle: collection.title,
    })
    .from(ruleHit)
    .innerJoin(rule, eq(rule.id, ruleHit.rule))
    .leftJoin(collection, and(eq(collection.id, rule.collection), isNull(collection.deletedAt)))
    .where(inArray(ruleHit.resource, [...resources]));
}

/** What a rule suggested or did, locked until the transaction ends; null when there is none. */
export async function findHit(tx: Tx, id: string) {
  return (await tx.select().from(ruleHit).where(eq(ruleHit.id, id)).for("update"))[0] ?? null;
}

/** The catalogue page by page, newest first, with what rules look at. */
export async function pageForRules(tx: Tx, team: string, before: string | null, most: number) {
  return tx
    .select({ id: resource.id, host: resource.host, title: resource.title })
    .from(resource)
    .where(
      and(eq(resource.team, team), isNull(resource.deletedAt), before ? lt(resource.id, before) : undefined),
    )
    .orderBy(desc(resource.id))
    .limit(most);
}

/** What a rule did to a resource, or suggests. */
export async function hitOf(tx: Tx, ruleId: string, resourceId: string) {
  const [row] = await tx
    .select({ id: ruleHit.id })
    .from(ruleHit)
    .where(and(eq(ruleHit.resource, resourceId), eq(ruleHit.rule, ruleId)));
  return row ?? null;
}

/** Writes down that a rule fits a resource. */
export async function addHit(tx: Tx, row: typeof ruleHit.$inferInsert): Promise<void> {
  await tx.insert(ruleHit).values(row);
}

/** Says what was decided about a suggestion. */
export async function setHit(tx: Tx, id: string, state: "done" | "declined"): Promise<void> {
  await tx.update(ruleHit).set({ state }).where(eq(ruleHit.id, id));
}

/** Writes a rule: over the one that is there, also out of the bin, or a new one. */
export async function saveRule(tx: Tx, there: string | null, row: typeof rule.$inferInsert): Promise<void> {
  const { id: _, team: _team, createdBy: _by, createdAt: _at, ...fields } = row;
  if (there)
    await tx
      .update(rule)
      .set({ ...fields, deletedAt: null })
      .where(eq(rule.id, there));
  else await tx.insert(rule).values(row);
}

/** Deletes a rule; what it did stays. */
export async function removeRule(tx: Tx, id: string, deletedAt: Date): Promise<void> {
  await tx.update(rule).set({ deletedAt }).where(eq(rule.id, id));
}
