import { queryRows } from "../sql/query-rows";
import { and, asc, eq, gte, inArray, isNotNull, isNull, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { inParts } from "../sql/by-keys";
import { asMonth } from "../sql/as-month";
import { collection, collectionTag, placement, resource, resourceTag, tag } from "../schema";

/** How much a tag is used, and when it was last put on something. */
export type TagUse = { tag: string; count: number; last: Date | null };

/** Counted from the links alone; what lies in the bin is no use. */
export async function countUses(tx: Tx, teamId: string): Promise<TagUse[]> {
  const [uses, binned] = await Promise.all([
    tx
      .select({
        tag: resourceTag.tag,
        count: sql<number>`count(*)`.as("n"),
        last: sql<Date>`max(${resourceTag.createdAt})`.mapWith(resourceTag.createdAt),
      })
      .from(resourceTag)
      .where(eq(resourceTag.team, teamId))
      .groupBy(resourceTag.tag),
    usesInBin(tx, teamId),
  ]);
  return uses.map(({ tag, count, last }) => ({ tag, last, count: Number(count) - (binned.get(tag) ?? 0) }));
}

/** Ids and names of all tags of a team. */
export const tagNames = (tx: Tx, teamId: string) =>
  tx.select({ id: tag.id, name: tag.name }).from(tag).where(eq(tag.team, teamId));

/** All tags that have a name, the most used first. */
export function withNames(names: readonly { id: string; name: string }[], uses: readonly TagUse[]) {
  const used = new Map(uses.map((row) => [row.tag, row]));
  return names
    .map(({ id, name }) => ({ id, name, count: used.get(id)?.count ?? 0, last: used.get(id)?.last ?? null }))
    .sort((a, b) => b.count - a.count || (a.name < b.name ? -1 : 1));
}

/** How many resources in the bin carry each tag: they keep their tags, but do not count as use. */
export async function usesInBin(tx: Tx, team: string): Promise<Map<string, number>> {
  const rows = await tx
    .select({ tag: resourceTag.tag, count: sql<number>`count(*)` })
    .from(resource)
    .innerJoin(resourceTag, eq(resourceTag.resource, resource.id))
    .where(and(eq(resource.team, team), isNotNull(resource.deletedAt)))
    .groupBy(resourceTag.tag);
  return new Map(rows.map((row) => [row.tag, Number(row.count)]));
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

/** Those of these tags that the team has. */
export async function findTags(tx: Tx, team: string, ids: readonly string[]) {
  if (!ids.length) return [];
  return tx
    .select()
    .from(tag)
    .where(and(eq(tag.team, team), inArray(tag.id, [...ids])));
}

/** Which resources carry these tags. */
export async function linksOf(tx: Tx, team: string, ids: readonly string[]) {
  if (!ids.length) return [];
  return tx
    .select({ resource: resourceTag.resource, tag: resourceTag.tag })
    .from(resourceTag)
    .where(and(eq(resourceTag.team, team), inArray(resourceTag.tag, [...ids])));
}

/** Which collections are about these tags. */
export async function collectionLinksOf(tx: Tx, team: string, ids: readonly string[]) {
  if (!ids.length) return [];
  return tx
    .select({ collection: collectionTag.collection, tag: collectionTag.tag })
    .from(collectionTag)
    .where(and(eq(collectionTag.team, team), inArray(collectionTag.tag, [...ids])));
}

/** The tags most often on the same resources as this one. */
export async function tagsBeside(tx: Tx, team: string, id: string, most: number) {
  const rows = await queryRows<{ id: string; name: string; together: number }>(
    tx,
    sql`
    SELECT g.id, g.name, c.n AS together FROM (
      SELECT b.tag AS tag, COUNT(*) AS n FROM ${resourceTag} a JOIN ${resourceTag} b ON b.resource = a.resource AND b.tag <> a.tag
      WHERE a.team = ${team} AND a.tag = ${id} GROUP BY b.tag ORDER BY n DESC LIMIT ${most}
    ) c JOIN ${tag} g ON g.id = c.tag ORDER BY c.n DESC, g.name`,
  );
  return rows.map((row) => ({ ...row, together: Number(row.together) }));
}

/** How often tags (or one of them) were put on something that is not in the bin, by month. */
export async function tagMonths(
  tx: Tx,
  team: string,
  id: string | null,
  since: Date,
): Promise<Map<string, number>> {
  const month = sql<number>`extract(year_month from ${resourceTag.createdAt})`;
  const wanted = and(
    eq(resourceTag.team, team),
    id ? eq(resourceTag.tag, id) : undefined,
    gte(resourceTag.createdAt, since),
  );
  const columns = { month, n: sql<number>`count(*)` };
  const [all, binned] = await Promise.all([
    tx.select(columns).from(resourceTag).where(wanted).groupBy(month),
    tx
      .select(columns)
      .from(resource)
      .innerJoin(resourceTag, eq(resourceTag.resource, resource.id))
      .where(and(eq(resource.team, team), isNotNull(resource.deletedAt), wanted))
      .groupBy(month),
  ]);
  const inBin = new Map(binned.map((row) => [row.month, Number(row.n)]));
  return new Map(
    all
      .map((row) => [asMonth(row.month), Number(row.n) - (inBin.get(row.month) ?? 0)] as const)
      .filter(([, n]) => n > 0),
  );
}

/** The collections that are about a tag. */
export async function collectionsAbout(tx: Tx, team: string, id: string) {
  return tx
    .select({ id: collection.id, title: collection.title })
    .from(collectionTag)
    .innerJoin(collection, eq(collection.id, collectionTag.collection))
    .where(and(eq(collectionTag.team, team), eq(collectionTag.tag, id), isNull(collection.deletedAt)))
    .orderBy(asc(collection.title));
}

/** The tags of a collection as a whole. */
export async function tagsOfCollection(tx: Tx, id: string) {
  return tx
    .select({ id: tag.id, name: tag.name })
    .from(collectionTag)
    .innerJoin(tag, eq(tag.id, collectionTag.tag))
    .where(eq(collectionTag.collection, id))
    .orderBy(asc(collectionTag.createdAt), asc(tag.name));
}

/** How many resources carry at least one of these tags. */
export async function countTagged(tx: Tx, team: string, ids: readonly string[]): Promise<number> {
  if (!ids.length) return 0;
  const rows = await tx
    .select({ n: sql<number>`count(distinct ${resourceTag.resource})` })
    .from(resourceTag)
    .where(and(eq(resourceTag.team, team), inArray(resourceTag.tag, [...ids])));
  return Number(rows[0]?.n ?? 0);
}

/** The tags of these resources, as links. */
export async function linksOfResources(tx: Tx, ids: readonly string[]) {
  const links: (typeof resourceTag.$inferSelect)[] = [];
  await inParts(
    [...ids],
    async (part) => {
      links.push(...(await tx.select().from(resourceTag).where(inArray(resourceTag.resource, part))));
    },
    1000,
  );
  return links;
}

/** Makes tags; one whose key is there already stays as it is. */
export async function insertTags(tx: Tx, rows: readonly (typeof tag.$inferInsert)[]): Promise<void> {
  await inParts(
    rows,
    (part) =>
      tx
        .insert(tag)
        .values(part)
        .onDuplicateKeyUpdate({ set: { team: part[0]!.team } }),
    500,
  );
}

/** What these collections as a whole are about. */
export async function collectionTagsOf(tx: Tx, ids: readonly string[]) {
  if (!ids.length) return [];
  return tx
    .select()
    .from(collectionTag)
    .where(inArray(collectionTag.collection, [...ids]));
}

/** The tags on what stands in these collections and on themselves, with how much of it has each, the most used first. */
export async function tagsSeen(tx: Tx, collections: readonly string[]) {
  if (!collections.length) return [];
  const ids = sql.join(
    collections.map((id) => sql`${id}`),
    sql`, `,
  );
  const rows = await queryRows<{ id: string; name: string; count: number }>(
    tx,
    sql`SELECT t.id, t.name, COUNT(DISTINCT used.resource) AS count FROM (
        SELECT rt.tag, rt.resource FROM ${placement} p JOIN ${resourceTag} rt ON rt.resource = p.resource
          WHERE p.collection IN (${ids}) AND p.deleted_at IS NULL
        UNION ALL
        SELECT ct.tag, NULL FROM ${collectionTag} ct WHERE ct.collection IN (${ids})
      ) used JOIN ${tag} t ON t.id = used.tag
      GROUP BY t.id, t.name ORDER BY count DESC, t.name`,
  );
  return rows.map((row) => ({ ...row, count: Number(row.count), last: null }));
}
