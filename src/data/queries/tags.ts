import { and, asc, desc, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { resource, resourceTag, tag } from "../schema";

/** Tags of a team with their use, the most used first. */
export async function tagUses(tx: Tx, teamId: string, most = 2000) {
  const rows = await tx
    .select({ id: tag.id, name: tag.name, count: sql<number>`count(${resourceTag.id})` })
    .from(tag)
    .leftJoin(resourceTag, and(eq(resourceTag.team, tag.team), eq(resourceTag.tag, tag.id)))
    .where(eq(tag.team, teamId))
    .groupBy(tag.id, tag.name)
    .orderBy(desc(sql`count(${resourceTag.id})`), asc(tag.name))
    .limit(most);
  return rows.map((row) => ({ ...row, count: Number(row.count) }));
}

/** Ids of tags by key, for those that exist. */
export async function tagsByKey(
  tx: Tx,
  teamId: string,
  keys: readonly string[],
): Promise<Map<string, string>> {
  if (!keys.length) return new Map();
  const rows = await tx
    .select({ id: tag.id, key: tag.key })
    .from(tag)
    .where(and(eq(tag.team, teamId), inArray(tag.key, [...keys])));
  return new Map(rows.map((row) => [row.key, row.id]));
}

/** The newest resources of a team that carry a tag. */
export async function resourcesTagged(
  tx: Tx,
  teamId: string,
  tagId: string,
  most: number,
): Promise<string[]> {
  const rows = await tx
    .select({ id: resourceTag.resource })
    .from(resourceTag)
    .innerJoin(resource, eq(resource.id, resourceTag.resource))
    .where(and(eq(resourceTag.team, teamId), eq(resourceTag.tag, tagId), isNull(resource.deletedAt)))
    .orderBy(desc(resourceTag.resource))
    .limit(most);
  return rows.map((row) => row.id);
}
