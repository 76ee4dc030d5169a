import { representatives, type Yarn } from "@/core/cover/weave";
import { groupBy } from "@/core/list/group-by";
import { minutesHere } from "../sql/minutes-here";
import { queryRows } from "../sql/query-rows";
import { and, asc, desc, eq, inArray, isNull, sql } from "drizzle-orm";
import type { ViewSetting } from "@/core/list/view-setting";
import type { Tx } from "../database";
import { collection, placement, resource, resourceTag, section, tag, team, viewSetting } from "../schema";

export type CollectionRow = typeof collection.$inferSelect;
export type SectionRow = { id: string; title: string; intro: string; position: string };

/** A collection with the name of its team, in the bin or not; null when there is none. */
export async function findCollection(
  tx: Tx,
  id: string,
): Promise<(CollectionRow & { teamName: string }) | null> {
  const rows = await tx
    .select({ collection, teamName: team.name })
    .from(collection)
    .innerJoin(team, eq(team.id, collection.team))
    .where(eq(collection.id, id));
  return rows[0] ? { ...rows[0].collection, teamName: rows[0].teamName } : null;
}

/** Text between the items is not counted as one of them. */
const isItem = eq(placement.look, "item");

/** Locks a collection: whoever changes its order waits here for whoever came first. */
export async function lockCollection(tx: Tx, id: string): Promise<CollectionRow | null> {
  return (await tx.select().from(collection).where(eq(collection.id, id)).for("update"))[0] ?? null;
}

/** Locks a team: its tree of collections is changed by one at a time. */
export async function lockTeam(tx: Tx, id: string): Promise<void> {
  await tx.select({ id: team.id }).from(team).where(eq(team.id, id)).for("update");
}

/** Locks collections in one order, as all do who need several. @returns those that are there, in the bin or not */
export async function lockCollections(tx: Tx, ids: readonly string[]): Promise<CollectionRow[]> {
  if (!ids.length) return [];
  return tx
    .select()
    .from(collection)
    .where(inArray(collection.id, [...ids]))
    .orderBy(collection.id)
    .for("update");
}

/** Counts a change in these collections, so that documents made of them are made again. It locks them. */
export async function touchCollections(tx: Tx, ids: readonly string[], at: Date): Promise<void> {
  if (!ids.length) return;
  await tx
    .update(collection)
    .set({ version: sql`${collection.version} + 1`, updatedAt: at })
    .where(inArray(collection.id, [...ids]));
}

/** The collections that went into the bin at this very moment. */
export async function deletedAtOnce(tx: Tx, teamId: string, at: Date): Promise<CollectionRow[]> {
  return tx
    .select()
    .from(collection)
    .where(and(eq(collection.team, teamId), eq(collection.deletedAt, at)));
}

/** All collections of a team that are not in the bin, parents and neighbours in order. */
export async function collectionTree(tx: Tx, teamId: string) {
  return tx
    .select({
      id: collection.id,
      parent: collection.parent,
      title: collection.title,
      audience: collection.audience,
      reach: collection.reach,
      sharedUntil: collection.sharedUntil,
      leftOut: collection.leftOut,
      position: collection.position,
      awayAt: collection.awayAt,
      hiddenAt: collection.hiddenAt,
      coverHash: collection.coverHash,
      updatedAt: collection.updatedAt,
    })
    .from(collection)
    .where(and(eq(collection.team, teamId), isNull(collection.deletedAt)))
    .orderBy(asc(collection.position), asc(collection.id));
}

/** Items and minutes of each collection of a team that holds any. */
export async function sumsOfTeam(tx: Tx, teamId: string) {
  const rows = await tx
    .select({
      id: placement.collection,
      items: sql<number>`count(*)`,
      minutes: sql<number>`coalesce(sum(${minutesHere}), 0)`,
      waiting: sql<number>`sum(${resource.fetchState} = 'waiting')`,
      failed: sql<number>`sum(${resource.fetchState} = 'failed')`,
    })
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .where(and(eq(placement.team, teamId), isNull(placement.deletedAt), isNull(resource.deletedAt), isItem))
    .groupBy(placement.collection);
  return new Map(
    rows.map(({ id, ...sums }) => [
      id,
      {
        items: Number(sums.items),
        minutes: Number(sums.minutes),
        waiting: Number(sums.waiting),
        failed: Number(sums.failed),
      },
    ]),
  );
}

/** How much of each kind stands in each collection of a team: what a small strip of it is woven from. */
export async function kindsOfTeam(tx: Tx, teamId: string) {
  const rows = await tx
    .select({
      id: placement.collection,
      kind: resource.kind,
      minutes: sql<number>`sum(least(coalesce(${minutesHere}, 3), 60))`.mapWith(Number),
    })
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .where(and(eq(placement.team, teamId), isNull(placement.deletedAt), isNull(resource.deletedAt), isItem))
    .groupBy(placement.collection, resource.kind);
  return groupBy(rows, (row) => row.id);
}

/** The sections of a collection in their order, without those in the bin. */
export async function sectionsOf(tx: Tx, id: string): Promise<SectionRow[]> {
  return tx
    .select({ id: section.id, title: section.title, intro: section.intro, position: section.position })
    .from(section)
    .where(and(eq(section.collection, id), isNull(section.deletedAt)))
    .orderBy(asc(section.position), asc(section.id));
}

/** Items and minutes of each section; null stands for before the first one. */
export async function sectionSums(tx: Tx, id: string) {
  const rows = await tx
    .select({
      section: placement.section,
      items: sql<number>`count(*)`,
      minutes: sql<number>`coalesce(sum(${minutesHere}), 0)`,
    })
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .where(and(eq(placement.collection, id), isNull(placement.deletedAt), isNull(resource.deletedAt), isItem))
    .groupBy(placement.section);
  return rows.map((row) => ({
    section: row.section,
    items: Number(row.items),
    minutes: Number(row.minutes),
  }));
}

/** Of more items than these, in all of them, a cloth is woven as if there were no more. */
const WOVEN = 5_000;
/** So many stand for all: at no size are there threads for more. */
const SHOWN = 64;

/**
 * What the cloth of each of these collections is woven from: its items in order, or those that stand for all, the four tags
 * used most among them, and how long it is.
 * @param forReaders only what those see who are not of the team
 */
export async function clothOf(tx: Tx, ids: readonly string[], forReaders = false) {
  const empty = () => ({ threads: [] as Yarn[], tags: [] as string[], items: 0, minutes: 0 });
  const cloths = new Map(ids.map((id) => [id, empty()]));
  if (!ids.length) return cloths;
  const rows = await tx
    .select({
      collection: placement.collection,
      kind: resource.kind,
      minutes: minutesHere.mapWith(Number),
      tags: sql<string[] | null>`(SELECT JSON_ARRAYAGG(t.name ORDER BY rt.id) FROM ${resourceTag} rt
        JOIN ${tag} t ON t.id = rt.tag WHERE rt.resource = ${resource.id})`.mapWith((tags: unknown) =>
        typeof tags === "string" ? (JSON.parse(tags) as string[]) : (tags as string[] | null),
      ),
    })
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .leftJoin(section, eq(section.id, placement.section))
    .where(
      and(
        inArray(placement.collection, [...ids]),
        isNull(placement.deletedAt),
        isNull(resource.deletedAt),
        isItem,
        forReaders ? eq(placement.forReaders, true) : undefined,
      ),
    )
    .orderBy(placement.collection, sql`coalesce(${section.position}, '')`, placement.position, placement.id)
    .limit(WOVEN);
  for (const [id, own] of groupBy(rows, (row) => row.collection)) {
    const uses = new Map<string, number>();
    for (const name of own.flatMap((row) => row.tags ?? [])) uses.set(name, (uses.get(name) ?? 0) + 1);
    cloths.set(id, {
      threads: representatives(
        own.map(({ kind, minutes, tags }): Yarn => ({ kind, minutes, tag: tags?.[0] ?? null })),
        SHOWN,
      ),
      tags: [...uses]
        .sort(([a, n], [b, m]) => m - n || (a < b ? -1 : 1))
        .slice(0, 4)
        .map(([name]) => name),
      items: own.length,
      minutes: own.reduce((sum, row) => sum + (row.minutes ?? 0), 0),
    });
  }
  return cloths;
}

/**
 * The last order key among the collections of one parent.
 * @param parent the collection above; null for the top
 */
export async function lastPosition(tx: Tx, teamId: string, parent: string | null): Promise<string | null> {
  const rows = await tx
    .select({ position: collection.position })
    .from(collection)
    .where(
      and(eq(collection.team, teamId), parent ? eq(collection.parent, parent) : isNull(collection.parent)),
    )
    .orderBy(desc(collection.position))
    .limit(1);
  return rows[0]?.position ?? null;
}

/** How a person likes to see a collection, if they have said so. */
export async function settingOf(tx: Tx, id: string, person: string): Promise<ViewSetting | null> {
  const rows = await tx
    .select({ view: viewSetting.view })
    .from(viewSetting)
    .where(and(eq(viewSetting.collection, id), eq(viewSetting.person, person)));
  return rows[0]?.view ?? null;
}

/** Remembers how a person likes to see a collection. */
export async function saveSetting(
  tx: Tx,
  row: { person: string; collection: string; view: ViewSetting; updatedAt: Date },
): Promise<void> {
  const { view, updatedAt } = row;
  await tx.insert(viewSetting).values(row).onDuplicateKeyUpdate({ set: { view, updatedAt } });
}

/** Collections inside this one that are not in the bin. */
export async function collectionsInside(tx: Tx, id: string) {
  return tx
    .select({ id: collection.id, title: collection.title, audience: collection.audience })
    .from(collection)
    .where(and(eq(collection.parent, id), isNull(collection.deletedAt)))
    .orderBy(asc(collection.position), asc(collection.id));
}

/**
 * Where a collection stands: those it lies in, the outermost first; no more than a path has room for.
 * @param most how many levels are gone up at the most
 */
export async function collectionsAbove(tx: Tx, id: string, most = 20) {
  const above = await queryRows<{ id: string; parent: string | null; title: string }>(
    tx,
    sql`
    WITH RECURSIVE way (id, parent, title, step) AS (
      SELECT id, parent, title, 0 FROM collection WHERE id = ${id}
      UNION ALL
      SELECT up.id, up.parent, up.title, step + 1 FROM way JOIN collection up ON up.id = way.parent
        WHERE up.deleted_at IS NULL AND step < ${most}
    ) SELECT id, parent, title FROM way WHERE step > 0 ORDER BY step DESC`,
  );
  return above;
}
