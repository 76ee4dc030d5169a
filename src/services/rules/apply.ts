import { type RuleFacts, ruleFits } from "@/core/rules/fits";
import { tagKey } from "@/core/tags/tag-name";
import type { Tx } from "@/data/database";
import { findCollection } from "@/data/queries/collections";
import { placementOf } from "@/data/queries/placements";
import { findResource, tagsOf } from "@/data/queries/resources";
import { addHit, hitOf, type RuleRow, rulesOf, senderOf, setHit } from "@/data/queries/rules";
import type { ChangeSet } from "@/mechanism/change-set";
import { newId } from "@/outside/random";
import { putPlacement } from "../placements/put";
import { putTags } from "../tags/put";

/** Looks at what has come in by the team's rules: those that act are done, the others become suggestions. */
export async function applyRules(tx: Tx, set: ChangeSet, id: string): Promise<void> {
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
  for (const rule of rules) if (ruleFits(rule.when, facts, rule.unless)) await hitBy(tx, set, rule, id);
}

/**
 * Notes that a rule fits a resource, once, and does what it says when it acts.
 * @returns whether this was new
 */
export async function hitBy(
  tx: Tx,
  set: ChangeSet,
  rule: RuleRow,
  id: string,
  act = Boolean(rule.acts),
): Promise<boolean> {
  if (await hitOf(tx, rule.id, id)) return false;
  const hit = newId();
  await addHit(tx, {
    id: hit,
    rule: rule.id,
    resource: id,
    team: rule.team,
    state: act ? "done" : "suggested",
    createdAt: set.at,
  });
  if (act) await doRule(tx, set, rule, { id: hit, resource: id }, rule.createdBy);
  const verb = act ? "rules.done" : "rules.suggested";
  set.emit({ subject: id, verb, data: { rule: rule.name }, actor: null });
  return true;
}

/** Places and tags as the rule says, and notes what of it was not so before; where it stands already it stays. */
export async function doRule(
  tx: Tx,
  set: ChangeSet,
  rule: RuleRow,
  { id: hit, resource: id }: { id: string; resource: string },
  person: string,
): Promise<void> {
  const had = new Set(((await tagsOf(tx, [id])).get(id) ?? []).map(tagKey));
  const tagged = rule.tags.filter((tag) => !had.has(tagKey(tag)));
  if (tagged.length) await putTags(tx, set, rule.team, new Map([[id, tagged]]));
  const open = rule.collection && (await findCollection(tx, rule.collection));
  const placed = open && !open.deletedAt && !(await placementOf(tx, id, open.id));
  await setHit(tx, hit, { tagged, placedIn: placed ? open.id : null });
  if (!placed) return;
  await putPlacement(tx, set, {
    team: rule.team,
    person,
    collection: open.id,
    ...(rule.section && { section: rule.section }),
    resource: id,
  });
}
