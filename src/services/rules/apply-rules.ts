import { and, eq, isNull } from "drizzle-orm";
import { type RuleFacts, ruleFits } from "@/core/rules/fits";
import type { Tx } from "@/data/database";
import { writeEvents } from "@/data/queries/events";
import { findResource, tagsOf, touchCollectionsOf } from "@/data/queries/resources";
import { type RuleRow, rulesOf, senderOf } from "@/data/queries/rules";
import { collection, placement, ruleHit } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { asEvent } from "../action";
import { putPlacement } from "../arrange/add-placement";
import { putTags } from "../tags/add-tags";

/** Looks at what has come in by the team's rules: those that act are done, the others become suggestions. */
export async function applyRules(tx: Tx, id: string): Promise<void> {
  const row = await findResource(tx, id);
  if (!row || row.deletedAt) return;
  const rules = await rulesOf(tx, row.team);
  if (!rules.length) return;
  const facts: RuleFacts = {
    host: row.host,
    title: row.title,
    sender: await senderOf(tx, id),
    tags: (await tagsOf(tx, [id])).get(id) ?? [],
  };
  for (const rule of rules) if (ruleFits(rule.when, facts)) await hitBy(tx, rule, id);
}

/**
 * Notes that a rule fits a resource, once, and does what it says when it acts.
 * @returns whether this was new
 */
export async function hitBy(tx: Tx, rule: RuleRow, id: string, act = Boolean(rule.acts)): Promise<boolean> {
  const [there] = await tx
    .select({ id: ruleHit.id })
    .from(ruleHit)
    .where(and(eq(ruleHit.resource, id), eq(ruleHit.rule, rule.id)));
  if (there) return false;
  await tx.insert(ruleHit).values({
    id: newId(),
    rule: rule.id,
    resource: id,
    team: rule.team,
    state: act ? "done" : "suggested",
    createdAt: now(),
  });
  if (act) await doRule(tx, rule, id, rule.createdBy);
  await writeEvents(tx, [
    asEvent(
      { subject: id, data: { rule: rule.name } },
      rule.team,
      null,
      act ? "rules.done" : "rules.suggested",
    ),
  ]);
  return true;
}

/** Places and tags as the rule says; where it stands already it stays. */
export async function doRule(tx: Tx, rule: RuleRow, id: string, person: string): Promise<void> {
  if (rule.tags.length) await putTags(tx, rule.team, new Map([[id, rule.tags]]));
  if (rule.collection) {
    const [open] = await tx
      .select({ id: collection.id })
      .from(collection)
      .where(and(eq(collection.id, rule.collection), isNull(collection.deletedAt)));
    const [there] = await tx
      .select({ id: placement.id })
      .from(placement)
      .where(
        and(
          eq(placement.resource, id),
          eq(placement.collection, rule.collection),
          isNull(placement.deletedAt),
        ),
      );
    if (open && !there) {
      const { id: placed } = await putPlacement(tx, {
        team: rule.team,
        person,
        collection: rule.collection,
        ...(rule.section && { section: rule.section }),
        resource: id,
      });
      await writeEvents(tx, [
        asEvent(
          { subject: placed, collection: rule.collection, data: { resource: id } },
          rule.team,
          null,
          "placements.add",
        ),
      ]);
    }
  }
  await touchCollectionsOf(tx, [id], now());
}
