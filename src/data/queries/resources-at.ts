import { and, asc, eq, isNull } from "drizzle-orm";
import type { Tx } from "../database";
import { membership, resource, team } from "../schema";

/**
 * What stands at an address in the catalogues of a person's teams, each thing once, the team of longest standing first.
 * @param hash of the address
 * @param most so many of them
 */
export async function resourcesAt(tx: Tx, personId: string, hash: string, most: number) {
  const by = (column: typeof resource.addressHash | typeof resource.canonicalHash) =>
    tx
      .select({
        ...{ resource: resource.id, title: resource.title },
        ...{ team: team.id, teamName: team.name, role: membership.role },
      })
      .from(membership)
      .innerJoin(team, eq(team.id, membership.team))
      .innerJoin(resource, and(eq(resource.team, membership.team), eq(column, hash)))
      .where(and(eq(membership.person, personId), isNull(resource.deletedAt)))
      .orderBy(asc(team.id), asc(resource.id))
      .limit(most);
  // Two looks by two indexes; one with OR would use neither.
  const all = [...(await by(resource.addressHash)), ...(await by(resource.canonicalHash))];
  return [...new Map(all.map((one) => [one.resource, one])).values()].slice(0, most);
}
