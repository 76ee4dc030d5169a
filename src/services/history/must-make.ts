import type { Change, EntityType } from "@/core/history/change";
import { type Ability, may } from "@/core/policy/abilities";
import type { Tx } from "@/data/database";
import { collectionsSeeing } from "@/data/entities";
import { sightOf } from "@/data/queries/guests";
import type { HistoryRow } from "@/data/queries/history";
import type { Scope } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

/** What stands in one place, and is changed by whoever may do so in every one that sees it. */
const OF_A_PLACE = new Set<EntityType>(["collection", "section", "placement", "collectionTag", "comment"]);

/** What is in no collection: it is theirs alone. */
const OWN = new Set<EntityType>(["trayEntry"]);

/**
 * Whether somebody may make the changes of an entry of their history still: by what they are in the team, or else by what
 * they are by now, having been let in, in the collections that see it.
 * @throws {Problem} not-allowed
 */
export async function mustMake(tx: Tx, scope: Scope, { ability, changes }: HistoryRow): Promise<void> {
  const member = scope.sight ? null : scope.role;
  if (!may(member, ability) && !(await mayWhereLetIn(tx, scope, ability, changes)))
    throw new Problem("not-allowed");
}

async function mayWhereLetIn(tx: Tx, scope: Scope, ability: Ability, changes: readonly Change[]) {
  const letIn = scope.sight ?? (await sightOf(tx, scope.person!, scope.team!));
  const here = (id: string) => may(letIn.get(id) ?? null, ability);
  const placed = changes.filter(({ type }) => OF_A_PLACE.has(type));
  if (!(await collectionsSeeing(tx, placed)).every(here)) return false;
  const others = changes.filter(({ type }) => !OF_A_PLACE.has(type) && !OWN.has(type));
  return !others.length || (await collectionsSeeing(tx, others)).some(here);
}
