import { and, desc, eq, gt, inArray, isNull, or, type SQL, sql } from "drizzle-orm";
import type { Shows, Use } from "@/core/publish/model";
import type { Shared } from "@/core/publish/opens";
import type { Tx } from "../database";
import { collection, shareLink, shortCode, team } from "../schema";
import { code } from "../sql/code";
import { queryRows, utc } from "../sql/query-rows";

/** Ends the codes of a collection, so that links with them lead nowhere. */
export async function revokeShareCodes(tx: Tx, id: string, at: Date): Promise<void> {
  await tx
    .update(shareLink)
    .set({ revokedAt: at })
    .where(and(eq(shareLink.collection, id), isNull(shareLink.revokedAt)));
}

/** Writes down the code a collection is shared by. */
export async function addShareCode(tx: Tx, id: string, code: string, at: Date): Promise<void> {
  await tx.insert(shareLink).values({ code, collection: id, createdAt: at });
}

/** The live code of a collection, if it has one. */
export async function shareCodeOf(tx: Tx, id: string): Promise<string | null> {
  const rows = await tx
    .select({ code: shareLink.code })
    .from(shareLink)
    .where(and(eq(shareLink.collection, id), isNull(shareLink.revokedAt)))
    .orderBy(desc(shareLink.createdAt))
    .limit(1);
  return rows[0]?.code ?? null;
}

/** The code a collection had before its live one, if that was ended after this moment. */
export async function lastEndedCode(tx: Tx, id: string, since: Date): Promise<string | null> {
  const rows = await tx
    .select({ code: shareLink.code })
    .from(shareLink)
    .where(and(eq(shareLink.collection, id), gt(shareLink.revokedAt, since)))
    .orderBy(desc(shareLink.revokedAt))
    .limit(1);
  return rows[0]?.code ?? null;
}

/** Lets a code that was ended lead to its collection again. */
export async function reviveShareCode(tx: Tx, ended: string): Promise<void> {
  await tx
    .update(shareLink)
    .set({ revokedAt: null })
    .where(eq(shareLink.code, code(ended)));
}

/** The collection behind a code that holds. */
export async function byShareCode(tx: Tx, given: string): Promise<{ id: string; team: string } | null> {
  const rows = await tx
    .select({ id: shareLink.collection, team: collection.team })
    .from(shareLink)
    .innerJoin(collection, eq(collection.id, shareLink.collection))
    .where(and(eq(shareLink.code, code(given)), isNull(shareLink.revokedAt)));
  return rows[0] ?? null;
}

/** What decides who sees a collection, and what a kept page of it is compared with. */
export type SharedNode = Shared & {
  team: string;
  title: string;
  position: string;
  version: number;
  shows: Shows;
  use: Use | null;
};

/** A path and a tree end somewhere, whatever the rows say. */
const DEEPEST = 20;
const MOST = 2_000;

const NODE = sql`c.id, c.team, c.parent, c.title, c.position, c.version, c.audience, c.reach, c.shows, c.used_as AS \`use\`, c.shared_until, c.left_out,
  c.away_at, c.hidden_at, (SELECT l.code FROM ${shareLink} l WHERE l.collection = c.id AND l.revoked_at IS NULL
    ORDER BY l.created_at DESC LIMIT 1) AS code`;

type NodeRow = Omit<SharedNode, "sharedUntil" | "awayAt" | "hiddenAt" | "leftOut"> & {
  shared_until: string | null;
  away_at: string | null;
  hidden_at: string | null;
  left_out: number;
};

async function nodes(tx: Tx, statement: SQL): Promise<SharedNode[]> {
  const rows = await queryRows<NodeRow>(tx, statement);
  const time = (text: string | null) => (text === null ? null : utc(text));
  return rows.map(({ shared_until, away_at, hidden_at, left_out, ...row }) => ({
    ...row,
    sharedUntil: time(shared_until),
    awayAt: time(away_at),
    hiddenAt: time(hidden_at),
    leftOut: Boolean(left_out),
  }));
}

/** A collection and those it stands in, from itself up; nothing when it or one of these lies in the bin. */
export async function sharedUp(tx: Tx, id: string): Promise<SharedNode[]> {
  const up = await nodes(
    tx,
    sql`WITH RECURSIVE way (id, parent, step) AS (
      SELECT id, parent, 0 FROM ${collection} WHERE id = ${id} AND deleted_at IS NULL
      UNION ALL
      SELECT o.id, o.parent, step + 1 FROM way JOIN ${collection} o ON o.id = way.parent
        WHERE o.deleted_at IS NULL AND step < ${DEEPEST}
    ) SELECT ${NODE} FROM way JOIN ${collection} c ON c.id = way.id ORDER BY way.step`,
  );
  return up;
}

/** A collection and everything inside it that is not in the bin, neighbours in their order. */
export async function sharedDown(tx: Tx, { id, team }: { id: string; team: string }): Promise<SharedNode[]> {
  return nodes(
    tx,
    sql`WITH RECURSIVE inside (id, step) AS (
      SELECT id, 0 FROM ${collection} WHERE id = ${id} AND deleted_at IS NULL
      UNION ALL
      SELECT o.id, step + 1 FROM inside JOIN ${collection} o
        ON o.team = ${team} AND o.deleted_at IS NULL AND o.parent = inside.id WHERE step < ${DEEPEST}
    ) SELECT ${NODE} FROM inside JOIN ${collection} c ON c.id = inside.id
      ORDER BY inside.step > 0, c.position, c.id LIMIT ${MOST}`,
  );
}

/** Everything of a team that is out. */
export async function sharedOfTeam(tx: Tx, team: string) {
  return tx
    .select({
      id: collection.id,
      title: collection.title,
      audience: collection.audience,
      reach: collection.reach,
      sharedUntil: collection.sharedUntil,
      hiddenAt: collection.hiddenAt,
      code: shareLink.code,
      since: shareLink.createdAt,
    })
    .from(collection)
    .innerJoin(shareLink, and(eq(shareLink.collection, collection.id), isNull(shareLink.revokedAt)))
    .where(
      and(
        eq(collection.team, team),
        isNull(collection.deletedAt),
        or(eq(collection.audience, "link"), eq(collection.audience, "public")),
      ),
    )
    .orderBy(desc(shareLink.createdAt), collection.id)
    .limit(MOST);
}

const holds = (at: Date) =>
  and(isNull(shortCode.endedAt), or(isNull(shortCode.until), gt(shortCode.until, at)));

/** The short codes of collections that hold now, the newest of each. */
export async function shortCodesOf(tx: Tx, ids: readonly string[], at: Date) {
  if (!ids.length) return new Map<string, { code: string; until: Date | null }>();
  const rows = await tx
    .select({ collection: shortCode.collection, code: shortCode.code, until: shortCode.until })
    .from(shortCode)
    .where(and(inArray(shortCode.collection, [...ids]), holds(at)))
    .orderBy(shortCode.createdAt, shortCode.code);
  return new Map(rows.map(({ collection: id, ...one }) => [id, one]));
}

/** What a short code that holds opens, as far as it is still shared. */
export async function byShortCode(tx: Tx, given: string, at: Date) {
  const rows = await tx
    .select({
      audience: collection.audience,
      sharedUntil: collection.sharedUntil,
      hiddenAt: collection.hiddenAt,
      code: shareLink.code,
    })
    .from(shortCode)
    .innerJoin(collection, eq(collection.id, shortCode.collection))
    .innerJoin(shareLink, and(eq(shareLink.collection, collection.id), isNull(shareLink.revokedAt)))
    .where(and(eq(shortCode.code, code(given)), holds(at), isNull(collection.deletedAt)))
    .orderBy(desc(shareLink.createdAt))
    .limit(1);
  return rows[0] ?? null;
}

/** Writes down a short code. */
export async function addShortCode(
  tx: Tx,
  row: { code: string; collection: string; createdAt: Date; until: Date | null },
): Promise<void> {
  await tx.insert(shortCode).values(row);
}

/** Gives a short code another last day. */
export async function setShortCodeUntil(tx: Tx, short: string, until: Date | null): Promise<void> {
  await tx
    .update(shortCode)
    .set({ until })
    .where(eq(shortCode.code, code(short)));
}

/** Ends the short codes of a collection. */
export async function endShortCodes(tx: Tx, id: string, at: Date): Promise<void> {
  await tx
    .update(shortCode)
    .set({ endedAt: at })
    .where(and(eq(shortCode.collection, id), isNull(shortCode.endedAt)));
}

/** Whether a collection is public by itself at this moment. */
export const isPublic = (at: Date) =>
  and(
    eq(collection.audience, "public"),
    isNull(collection.deletedAt),
    isNull(collection.hiddenAt),
    or(isNull(collection.sharedUntil), gt(collection.sharedUntil, at)),
  );

/** The collections of these teams that are public by themselves, the one changed last first. */
export async function publicCollections(tx: Tx, teams: readonly string[], at: Date) {
  if (!teams.length) return [];
  const { id, title, description, updatedAt } = collection;
  return tx
    .select({ id, title, description, updatedAt, teamName: team.name, code: shareLink.code })
    .from(collection)
    .innerJoin(team, eq(team.id, collection.team))
    .innerJoin(shareLink, and(eq(shareLink.collection, collection.id), isNull(shareLink.revokedAt)))
    .where(and(inArray(collection.team, [...teams]), isPublic(at)))
    .orderBy(desc(collection.updatedAt), collection.id)
    .limit(MOST);
}

/** The codes of all collections that are public by themselves, the newest first; of one team, or of all. */
export async function publicPages(tx: Tx, at: Date, of?: string) {
  return tx
    .select({ code: shareLink.code, updatedAt: collection.updatedAt })
    .from(collection)
    .innerJoin(shareLink, and(eq(shareLink.collection, collection.id), isNull(shareLink.revokedAt)))
    .where(and(isPublic(at), of ? eq(collection.team, of) : undefined))
    .orderBy(desc(collection.updatedAt))
    .limit(50_000);
}
