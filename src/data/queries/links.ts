import { and, asc, count, desc, eq, exists, gte, inArray, isNull, ne, or, sql } from "drizzle-orm";
import { timesToTell, toldAfter } from "@/core/health/when";
import type { LinkState } from "@/core/health/link-state";
import type { Tx } from "../database";
import { collection, linkWatch, placement, resource, resourceText } from "../schema";
import { inParts } from "../sql/by-keys";
import { changeRows, queryRows } from "../sql/query-rows";

export type WatchRow = typeof linkWatch.$inferSelect;

/**
 * Has addresses watched that are not yet, some at once, the first time at moments that lie apart.
 * @param within in so many seconds each is asked for the first time
 */
export const watchMore = (tx: Tx, at: Date, within: number, most: number): Promise<number> =>
  changeRows(
    tx,
    sql`INSERT IGNORE INTO link_watch (resource, team, host, next_at)
      SELECT r.id, r.team, r.host, ${at} + INTERVAL FLOOR(CRC32(r.id) / 4294967296 * ${within}) SECOND
      FROM resource r LEFT JOIN link_watch w ON w.resource = r.id
      WHERE w.resource IS NULL AND r.deleted_at IS NULL AND r.address LIKE 'http%' AND r.fetch_state <> 'waiting'
      LIMIT ${most}`,
  );

/** Has one address watched, as it is when it is already. */
export async function watchOne(
  tx: Tx,
  row: Pick<WatchRow, "resource" | "team" | "host" | "nextAt">,
): Promise<void> {
  await tx
    .insert(linkWatch)
    .values(row)
    .onDuplicateKeyUpdate({ set: { host: row.host } });
}

/** What is to be asked by now: of each site the one that is due longest, then of each the next, no more than some. */
export const dueLinks = (tx: Tx, at: Date, most: number, ofOne: number) =>
  queryRows<{ resource: string; host: string }>(
    tx,
    sql`SELECT resource, host FROM (
        SELECT resource, host, next_at, ROW_NUMBER() OVER (PARTITION BY host ORDER BY next_at) n
        FROM link_watch WHERE next_at <= ${at}
      ) due WHERE n <= ${ofOne} ORDER BY n, next_at LIMIT ${most}`,
  );

/** Has an address asked later, which is in the bin. */
export async function putOffWatch(tx: Tx, id: string, until: Date): Promise<void> {
  await tx.update(linkWatch).set({ nextAt: until }).where(eq(linkWatch.resource, id));
}

/** What is known of an address, with the signature of the copy that is kept; null when it is not watched any more. */
export async function findWatch(tx: Tx, id: string) {
  const [row] = await tx
    .select({
      ...{
        watch: linkWatch,
        address: resource.address,
        copy: resourceText.signature,
        origin: resourceText.origin,
      },
      ...{ title: resource.title, createdAt: resource.createdAt },
      /** By what its own addresses are known. */
      ...{ hash: resource.addressHash, canonical: resource.canonicalHash },
    })
    .from(linkWatch)
    .innerJoin(resource, and(eq(resource.id, linkWatch.resource), isNull(resource.deletedAt)))
    .leftJoin(resourceText, eq(resourceText.resource, linkWatch.resource))
    .where(eq(linkWatch.resource, id));
  return row ?? null;
}

/** Notes what became of an address, unless somebody else asked meanwhile. */
export async function setWatch(
  tx: Tx,
  { resource: id, nextAt }: WatchRow,
  set: Partial<WatchRow>,
): Promise<void> {
  await tx
    .update(linkWatch)
    .set(set)
    .where(and(eq(linkWatch.resource, id), eq(linkWatch.nextAt, nextAt)));
}

/** After how many times what is told. */
const TOLD = [...new Set([timesToTell("gone"), timesToTell("silent")])];
/** What was found and nobody has said is alright. */
const found = (team: string) =>
  and(
    eq(linkWatch.team, team),
    or(...TOLD.map((times) => and(inArray(linkWatch.state, toldAfter(times)), gte(linkWatch.times, times)))),
    or(isNull(linkWatch.settled), ne(linkWatch.settled, linkWatch.state)),
    // What stands nowhere is met by nobody.
    exists(
      sql`(SELECT 1 FROM placement p WHERE p.resource = ${linkWatch.resource} AND p.deleted_at IS NULL)`,
    ),
  );

/** What was found of the addresses of a team, with where each stands. */
export async function foundLinks(tx: Tx, team: string, most: number) {
  const rows = await tx
    .select({
      ...{ resource: resource.id, title: resource.title, address: resource.address, kind: resource.kind },
      ...{ state: linkWatch.state, since: linkWatch.since, movedTo: linkWatch.movedTo },
      /** Whether a copy of it is kept. */
      copied: sql<boolean>`EXISTS (SELECT 1 FROM resource_text t WHERE t.resource = ${resource.id})`.mapWith(
        Boolean,
      ),
    })
    .from(linkWatch)
    .innerJoin(resource, and(eq(resource.id, linkWatch.resource), isNull(resource.deletedAt)))
    .where(found(team))
    .orderBy(desc(linkWatch.since), asc(resource.id))
    .limit(most);
  return withPlaces(tx, rows);
}

/** The same with where each stands. */
async function withPlaces<Row extends { resource: string }>(tx: Tx, rows: readonly Row[]) {
  const places = rows.length
    ? await tx
        .select({
          ...{ resource: placement.resource, placement: placement.id, collection: collection.id },
          ...{ title: collection.title, givesCopy: placement.givesCopy },
        })
        .from(placement)
        .innerJoin(collection, and(eq(collection.id, placement.collection), isNull(collection.deletedAt)))
        .where(
          and(
            inArray(
              placement.resource,
              rows.map((row) => row.resource),
            ),
            isNull(placement.deletedAt),
          ),
        )
    : [];
  return rows.map((row) => ({
    ...row,
    places: places.filter((one) => one.resource === row.resource).map(({ resource: _, ...place }) => place),
  }));
}

/** How many were found. @param most more are not counted */
export async function countFoundLinks(tx: Tx, team: string, most: number): Promise<number> {
  const rows = await tx
    .select({ id: linkWatch.resource })
    .from(linkWatch)
    .innerJoin(resource, and(eq(resource.id, linkWatch.resource), isNull(resource.deletedAt)))
    .where(found(team))
    .limit(most);
  return rows.length;
}

/** How many addresses of a team are watched, at how many sites, of the one with the most, and when the last was asked. */
export async function spreadOf(tx: Tx, team: string) {
  const rows = await tx
    .select({
      host: linkWatch.host,
      links: count(),
      last: sql<Date | null>`MAX(${linkWatch.askedAt})`.mapWith(linkWatch.askedAt),
    })
    .from(linkWatch)
    .where(eq(linkWatch.team, team))
    .groupBy(linkWatch.host);
  return {
    links: rows.reduce((sum, row) => sum + row.links, 0),
    hosts: rows.length,
    mostOfOne: Math.max(0, ...rows.map((row) => row.links)),
    asked: rows.reduce<Date | null>((last, { last: at }) => (at && (!last || at > last) ? at : last), null),
  };
}

/** Says of a state that it is alright, or takes that back. */
export async function settleLinks(tx: Tx, ids: readonly string[], settled: LinkState | null): Promise<void> {
  if (!ids.length) return;
  await tx
    .update(linkWatch)
    .set({ settled })
    .where(inArray(linkWatch.resource, [...ids]));
}

/** Where addresses stand, locked in the order of their ids. */
export async function placementsOfResources(tx: Tx, ids: readonly string[]) {
  if (!ids.length) return [];
  return tx
    .select()
    .from(placement)
    .where(and(inArray(placement.resource, [...ids]), isNull(placement.deletedAt)))
    .orderBy(asc(placement.id))
    .for("update");
}

/** What is known of some addresses, locked in the order of their ids. */
export async function lockWatches(tx: Tx, ids: readonly string[]): Promise<WatchRow[]> {
  if (!ids.length) return [];
  return tx
    .select()
    .from(linkWatch)
    .where(inArray(linkWatch.resource, [...ids]))
    .orderBy(asc(linkWatch.resource))
    .for("update");
}

/** Of a team's addresses that stand somewhere, where those have moved to that were found to have moved for good. */
export async function movedLinks(tx: Tx, team: string, most: number) {
  return tx
    .select({ was: resource.address, is: linkWatch.movedTo })
    .from(linkWatch)
    .innerJoin(resource, and(eq(resource.id, linkWatch.resource), isNull(resource.deletedAt)))
    .where(and(eq(linkWatch.team, team), eq(linkWatch.state, "moved"), ne(linkWatch.movedTo, "")))
    .orderBy(asc(linkWatch.resource))
    .limit(most);
}

/** The addresses of a team at a site that stand somewhere, in order, with where each stands and what is known of it. */
export async function linksAt(tx: Tx, team: string, host: string, most: number) {
  const rows = await tx
    .select({
      ...{ resource: resource.id, title: resource.title, address: resource.address, kind: resource.kind },
      ...{ state: linkWatch.state, movedTo: linkWatch.movedTo },
    })
    .from(resource)
    .leftJoin(linkWatch, eq(linkWatch.resource, resource.id))
    .where(
      and(
        eq(resource.team, team),
        eq(resource.host, host),
        isNull(resource.deletedAt),
        exists(sql`(SELECT 1 FROM placement p WHERE p.resource = ${resource.id} AND p.deleted_at IS NULL)`),
      ),
    )
    .orderBy(asc(resource.address), asc(resource.id))
    .limit(most);
  return withPlaces(tx, rows);
}

/** What has become of these addresses, where it is told. */
export async function toldAmong(tx: Tx, team: string, resources: readonly string[]) {
  const all: { resource: string; state: LinkState }[] = [];
  await inParts(
    resources,
    async (part) => {
      all.push(
        ...(await tx
          .select({ resource: linkWatch.resource, state: linkWatch.state })
          .from(linkWatch)
          .where(and(inArray(linkWatch.resource, part), found(team)))),
      );
    },
    500,
  );
  return new Map(all.map((one) => [one.resource, one.state]));
}

/** Other things of a team that lead somewhere and serve outcomes this one serves, those that serve most of them first. */
export const servingTheSame = (tx: Tx, id: string, most: number) =>
  queryRows<{ resource: string; title: string; address: string; serves: string }>(
    tx,
    sql`SELECT r.id resource, r.title, r.address,
        GROUP_CONCAT(DISTINCT COALESCE(NULLIF(o.code, ''), o.title) ORDER BY o.id SEPARATOR ', ') serves
      FROM placement p JOIN serves s ON s.placement = p.id
        JOIN outcome o ON o.id = s.outcome AND o.deleted_at IS NULL
        JOIN serves t ON t.outcome = s.outcome
        JOIN placement q ON q.id = t.placement AND q.resource <> p.resource AND q.deleted_at IS NULL
        JOIN resource r ON r.id = q.resource AND r.deleted_at IS NULL AND r.address LIKE 'http%' AND r.fetch_state <> 'failed'
        LEFT JOIN link_watch w ON w.resource = r.id
      WHERE p.resource = ${id} AND p.deleted_at IS NULL AND (w.state IS NULL OR w.state IN ('ok', 'moved'))
      GROUP BY r.id ORDER BY COUNT(DISTINCT s.outcome) DESC, r.id LIMIT ${most}`,
  );

/** Things by their ids that lead to the web and could be read there, with what they are called. */
export async function leadingOut(tx: Tx, ids: readonly string[]) {
  if (!ids.length) return [];
  return tx
    .select({ resource: resource.id, title: resource.title, address: resource.address })
    .from(resource)
    .where(
      and(
        inArray(resource.id, [...ids]),
        isNull(resource.deletedAt),
        ne(resource.address, ""),
        ne(resource.fetchState, "failed"),
      ),
    );
}

/** Where something stands, and whether readers can have its copy there. */
export const placementsStanding = (tx: Tx, id: string) =>
  tx
    .select({ id: placement.id, givesCopy: placement.givesCopy })
    .from(placement)
    .where(and(eq(placement.resource, id), isNull(placement.deletedAt)));

/** Keeps what was looked for about an address, whatever becomes of the address meanwhile. */
export async function setFound(
  tx: Tx,
  id: string,
  set: Pick<WatchRow, "ways" | "soughtAt"> | Pick<WatchRow, "insideAsked" | "insideDead" | "insideAt">,
): Promise<void> {
  await tx.update(linkWatch).set(set).where(eq(linkWatch.resource, id));
}
