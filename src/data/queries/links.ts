import {
  and,
  asc,
  count,
  desc,
  eq,
  exists,
  gte,
  inArray,
  isNull,
  ne,
  notInArray,
  or,
  sql,
} from "drizzle-orm";
import { BAD_DAYS } from "@/core/health/when";
import type { LinkState } from "@/core/health/link-state";
import type { Tx } from "../database";
import { collection, linkWatch, placement, resource, resourceText } from "../schema";
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

/** What is to be asked by now, the longest due first, no more than some of one site. */
export async function dueLinks(tx: Tx, at: Date, most: number, ofOne: number) {
  const rows = await queryRows<{ resource: string; address: string; host: string }>(
    tx,
    sql`SELECT resource, address, host FROM (
        SELECT w.resource, r.address, w.host, w.next_at, ROW_NUMBER() OVER (PARTITION BY w.host ORDER BY w.next_at) n
        FROM link_watch w JOIN resource r ON r.id = w.resource AND r.deleted_at IS NULL
        WHERE w.next_at <= ${at}
      ) due WHERE n <= ${ofOne} ORDER BY next_at LIMIT ${most}`,
  );
  return rows;
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

const QUIET: LinkState[] = ["ok", "unreachable"];
/** What was found and nobody has said is alright. */
const found = (team: string) =>
  and(
    eq(linkWatch.team, team),
    notInArray(linkWatch.state, QUIET),
    gte(linkWatch.times, BAD_DAYS),
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
  const places = rows.length
    ? await tx
        .select({
          ...{ resource: placement.resource, placement: placement.id, collection: collection.id },
          ...{ title: collection.title },
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
    places: places
      .filter((one) => one.resource === row.resource)
      .map(({ placement: id, collection: where, title }) => ({ placement: id, collection: where, title })),
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
    .innerJoin(resource, and(eq(resource.id, linkWatch.resource), isNull(resource.deletedAt)))
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
