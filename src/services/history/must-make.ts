import type { Change, EntityType } from "@/core/history/change";
import { type Ability, may } from "@/core/policy/abilities";
import type { Tx } from "@/data/database";
import { collectionsSeeing } from "@/data/entities";
import type { HistoryRow } from "@/data/queries/history";
import type { Scope } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

/** What stands in one place, and is changed by whoever may do so in every one that sees it. */
const OF_A_PLACE = new Set<EntityType>(["collection", "section", "placement", "collectionTag", "comment"]);

/**
 * Whether somebody may make the changes of an entry of their history still: whoever is in the team by their role, a guest
 * by what they are by now in the collections that see it.
 * @throws {Problem} not-allowed
 */
export async function mustMake(tx: Tx, scope: Scope, { ability, changes }: HistoryRow): Promise<void> {
  if (!(await mayMake(tx, scope, ability, changes))) throw new Problem("not-allowed");
}

async function mayMake(tx: Tx, scope: Scope, ability: Ability, changes: readonly Change[]) {
  const { sight } = scope;
  if (!sight) return may(scope.role, ability);
  const here = (id: string) => may(sight.get(id) ?? null, ability);
  const placed = changes.filter((change) => OF_A_PLACE.has(change.type));
  if (!(await collectionsSeeing(tx, placed)).every(here)) return false;
  const others = await collectionsSeeing(
    tx,
    changes.filter((change) => !OF_A_PLACE.has(change.type)),
  );
  return others.length === 0 || others.some(here);
}
