import { and, asc, count, desc, eq, inArray, isNull, lt } from "drizzle-orm";
import type { HitState, SaidOfSite } from "@/core/rules/wrong";
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

/** The same, locked until the transaction ends. */
export async function lockRule(tx: Tx, id: string): Promise<RuleRow | null> {
  return (await tx.select().from(rule).where(eq(rule.id, id)).for("update"))[0] ?? null;
}

/** Writes down what a rule leaves out. */
export async function setUnless(tx: Tx, id: string, unless: RuleRow["unless"]): Promise<void> {
  await tx.update(rule).set({ unless }).where(eq(rule.id, id));
}

/** How often each rule of a team did, suggested or was wrong about something. */
export async function countHits(tx: Tx, rules: readonly string[]) {
  if (!rules.length) return [];
  return tx
    .select({ rule: ruleHit.rule, state: ruleHit.state, count: count() })
    .from(ruleHit)
    .where(inArray(ruleHit.rule, [...rules]))
    .groupBy(ruleHit.rule, ruleHit.state);
}

/** The latest things a rule did or suggested. */
export async function latestHits(tx: Tx, ruleId: string, most: number) {
  const columns = { id: ruleHit.id, state: ruleHit.state, createdAt: ruleHit.createdAt };
  return tx
    .select({ ...columns, resource: resource.id, title: resource.title, host: resource.host })
    .from(ruleHit)
    .innerJoin(resource, eq(resource.id, ruleHit.resource))
    .where(and(eq(ruleHit.rule, ruleId), isNull(resource.deletedAt)))
    .orderBy(desc(ruleHit.id))
    .limit(most);
}

/** Of the sites a rule was wrong about, how often it was, and how often not. */
export async function saidOfSites(tx: Tx, ruleId: string): Promise<SaidOfSite[]> {
  const counted = (states: HitState[], hosts?: string[]) =>
    tx
      .select({ host: resource.host, count: count() })
      .from(ruleHit)
      .innerJoin(resource, eq(resource.id, ruleHit.resource))
      .where(
        and(eq(ruleHit.rule, ruleId), inArray(ruleHit.state, states), hosts && inArray(resource.host, hosts)),
      )
      .groupBy(resource.host);
  const wrong = await counted(["wrong", "declined"]);
  const hosts = wrong.map((one) => one.host).filter(Boolean);
  if (!hosts.length) return [];
  const right = new Map((await counted(["done"], hosts)).map((one) => [one.host, one.count]));
  return wrong
    .filter((one) => one.host)
    .map((one) => ({ host: one.host, wrong: one.count, right: right.get(one.host) ?? 0 }));
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
      ruleId: rule.id,
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

/** Says what was decided about a suggestion, or what became of it. */
export async function setHit(
  tx: Tx,
  id: string,
  fields: Partial<Pick<typeof ruleHit.$inferInsert, "state" | "placedIn" | "tagged">>,
): Promise<void> {
  await tx.update(ruleHit).set(fields).where(eq(ruleHit.id, id));
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
