import { type Ability, may, stronger } from "@/core/policy/abilities";
import type { Tx } from "@/data/database";
import { homesIn, type Sight } from "@/data/queries/guests";
import type { Scope } from "./policy";
import { Problem } from "./problem";

type Sees = Pick<Scope, "sight">;

/** Of what stands in collections, what a guest sees; whoever is in the team sees all. */
export function inSight<T extends { collection: string }>(scope: Sees, all: readonly T[]): T[] {
  return all.filter((one) => scope.sight?.has(one.collection) ?? true);
}

type Reaches = Pick<Scope, "reach">;

/** What somebody is in a collection: by being in the team, or by having been let in, whichever is more. */
const roleAt = ({ letIn, member }: NonNullable<Scope["reach"]>, id: string) =>
  stronger(member, letIn.get(id) ?? null);

/**
 * What else an action names must be theirs to use, who may do it only where they were let in: the rule has looked at one
 * thing alone.
 * @param collections in which it stands
 * @throws {Problem} not-found where they see nothing, not-allowed where they may not do that
 */
export function mustReach({ reach }: Reaches, collections: readonly string[], ability: Ability): void {
  if (!reach) return;
  for (const id of collections) {
    const role = roleAt(reach, id);
    if (!role) throw new Problem("not-found");
    if (!may(role, ability)) throw new Problem("not-allowed");
  }
}

/**
 * The same of resources: each must stand somewhere they may do that, if they may not do it in the whole team.
 * @throws {Problem} not-found where they see none of its places, not-allowed where they may not do that in any
 */
export async function mustReachResources(
  tx: Tx,
  { reach }: Reaches,
  ids: readonly string[],
  ability: Ability,
): Promise<void> {
  if (!reach || may(reach.member, ability)) return;
  const homes = await homesIn(tx, "resource", ids);
  const holding = (wanted: Ability) =>
    new Set(homes.flatMap((one) => (may(roleAt(reach, one.collection), wanted) ? [one.id] : [])));
  const [seen, theirs] = [holding("see"), holding(ability)];
  if (reach.member === null && ids.some((id) => !seen.has(id))) throw new Problem("not-found");
  if (ids.some((id) => !theirs.has(id))) throw new Problem("not-allowed");
}

/** Which of these resources stand somewhere a guest sees. */
export async function seenResources(tx: Tx, sight: Sight, ids: readonly string[]): Promise<Set<string>> {
  const homes = await homesIn(tx, "resource", ids);
  return new Set(homes.flatMap((one) => (sight.has(one.collection) ? [one.id] : [])));
}

/**
 * An answer as it is given: to a guest nothing of it says that the team has the same once more, somewhere they do not see.
 */
export const told = <T>(scope: Sees, answer: T): T => (scope.sight ? (withoutDoubles(answer) as T) : answer);

function withoutDoubles(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutDoubles);
  if (typeof value !== "object" || value === null || Object.getPrototypeOf(value) !== Object.prototype)
    return value;
  return Object.fromEntries(
    Object.entries(value).map(([name, part]) => [name, name === "duplicateOf" ? null : withoutDoubles(part)]),
  );
}
