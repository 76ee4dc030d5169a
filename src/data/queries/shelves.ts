import {
  and,
  desc,
  eq,
  gt,
  gte,
  inArray,
  isNotNull,
  isNull,
  lt,
  lte,
  max,
  min,
  ne,
  or,
  sql,
  type SQL,
} from "drizzle-orm";
import type { MySqlColumn } from "drizzle-orm/mysql-core";
import type { Use } from "@/core/publish/model";
import type { Taken } from "@/core/shelves/often";
import type { Tx } from "../database";
import { collection, credit, follow, listedTag, listing, placement } from "../schema";
import { queryRows } from "../sql/query-rows";
import { type ListedRow, listedById } from "./listings";
import { isPublic } from "./sharing";

/** Which public collections stand together: those that are all of this. */
export type Shelf = {
  use?: Use;
  language?: string;
  /** At most so long, and at most so hard to read. */
  minutes?: number;
  level?: number;
  /** The key of a subject. */
  key?: string;
};

/** What changed a moment ago stands on no shelf until it is known anew: where it stood would tell how it was. */
function standsOn({ use, language, minutes, level, key }: Shelf): SQL | undefined {
  const wishes = [
    use && eq(listing.use, use),
    language && eq(listing.language, language),
    minutes && and(gt(listing.minutes, 0), lte(listing.minutes, minutes)),
    level && and(isNotNull(listing.level), lte(listing.level, level)),
    key &&
      sql`${listing.collection} IN (SELECT ${listedTag.collection} FROM ${listedTag} WHERE ${listedTag.key} = ${key})`,
  ].filter((wish) => typeof wish === "object");
  return wishes.length ? and(eq(listing.noted, listing.taken), ...wishes) : undefined;
}

/** Those of these that stand on a shelf. */
export async function onShelf(tx: Tx, ids: readonly string[], shelf: Shelf): Promise<Set<string>> {
  const wish = standsOn(shelf);
  if (!wish || !ids.length) return new Set(ids);
  const rows = await tx
    .select({ id: listing.collection })
    .from(listing)
    .where(and(inArray(listing.collection, [...ids]), wish));
  return new Set(rows.map((row) => row.id));
}

/** Subjects with more teams than this in what is public are a shelf. */
const SHARED = 2;

/** The subjects of which most public collections are, as far as they may be told: each was seen there, maybe a while ago. */
export async function likelySubjects(tx: Tx, most: number): Promise<string[]> {
  const rows = await queryRows<{ key: string }>(
    tx,
    sql`SELECT \`key\`, COUNT(DISTINCT team) AS teams FROM ${listedTag} GROUP BY \`key\`
      HAVING teams >= ${SHARED} ORDER BY teams DESC, COUNT(*) DESC, \`key\` LIMIT ${most}`,
  );
  return rows.map((row) => row.key);
}

/** Those of these subjects that are of public collections of several teams at this moment, by a name they have there. */
export async function sharedSubjects(tx: Tx, keys: readonly string[], at: Date): Promise<string[]> {
  const found = await Promise.all(
    keys.map((key) =>
      tx
        .select({ team: listedTag.team, name: min(listedTag.name) })
        .from(listedTag)
        .innerJoin(listing, eq(listing.collection, listedTag.collection))
        .innerJoin(collection, eq(collection.id, listedTag.collection))
        .where(and(eq(listedTag.key, key), eq(listing.noted, listing.taken), isPublic(at)))
        .groupBy(listedTag.team)
        .limit(SHARED),
    ),
  );
  return found.flatMap((rows) => (rows.length < SHARED ? [] : (rows[0]!.name ?? [])));
}

/** What there is among what is public: uses and languages. */
export async function listedKinds(tx: Tx, at: Date): Promise<{ uses: Use[]; languages: string[] }> {
  const rows = await tx
    .selectDistinct({ use: listing.use, language: listing.language })
    .from(listing)
    .innerJoin(collection, eq(collection.id, listing.collection))
    .where(and(isPublic(at), isNotNull(listing.content)));
  return {
    uses: [...new Set(rows.flatMap((row) => row.use ?? []))].sort(),
    languages: [...new Set(rows.map((row) => row.language))].filter(Boolean).sort(),
  };
}

/**
 * Which teams took from collections of others since then, show them live, or follow them, each with when it last began to.
 */
export async function takenSince(tx: Tx, since: Date): Promise<Taken[]> {
  const of = (team: MySqlColumn, lender: MySqlColumn | SQL) =>
    and(eq(collection.id, lender), ne(collection.team, team));
  const taken = tx
    .select({ lender: credit.lender, team: credit.team, at: max(credit.takenAt) })
    .from(credit)
    .innerJoin(collection, of(credit.team, credit.lender))
    .where(gte(credit.takenAt, since))
    .groupBy(credit.lender, credit.team);
  const shown = tx
    .select({ lender: collection.id, team: placement.team, at: max(placement.createdAt) })
    .from(placement)
    .innerJoin(collection, of(placement.team, placement.shownLive))
    .where(and(isNotNull(placement.shownLive), isNull(placement.deletedAt), gte(placement.createdAt, since)))
    .groupBy(collection.id, placement.team);
  const followed = tx
    .select({ lender: collection.id, team: follow.team, at: max(follow.createdAt) })
    .from(follow)
    .innerJoin(collection, of(follow.team, follow.what))
    .where(and(eq(follow.kind, "collection"), gte(follow.createdAt, since)))
    .groupBy(collection.id, follow.team);
  const rows = (await Promise.all([taken, shown, followed])).flat();
  return rows.flatMap(({ at, ...row }) => (at ? [{ ...row, at }] : []));
}

/** So many are looked at at a time: those that are public no more are passed over. */
const STEP = 40;
/** At most so often for a page. */
const STEPS = 50;

/**
 * Those that were made public last, that first. By the index of their days, so that it takes as long among many as among
 * few; together with what decides whether they are public, the database would read all of them first.
 * @param after the last one of the page before
 * @param shelf only those that stand there
 */
export async function newlyListed(
  tx: Tx,
  at: Date,
  after: { since: Date; id: string } | null,
  most: number,
  shelf: Shelf = {},
): Promise<ListedRow[]> {
  const found: ListedRow[] = [];
  let last = after;
  for (let step = 0; step < STEPS && found.length < most; step++) {
    const some: { since: Date; id: string }[] = await tx
      .select({ id: listing.collection, since: listing.since })
      .from(listing)
      .where(
        and(
          isNotNull(listing.content),
          standsOn(shelf),
          last ? lte(listing.since, last.since) : undefined,
          last ? or(lt(listing.since, last.since), lt(listing.collection, last.id)) : undefined,
        ),
      )
      .orderBy(desc(listing.since), desc(listing.collection))
      .limit(STEP);
    const open = await listedById(
      tx,
      some.map((one) => one.id),
      at,
    );
    found.push(...some.flatMap((one) => open.get(one.id) ?? []));
    if (some.length < STEP) break;
    last = some.at(-1)!;
  }
  return found.slice(0, most);
}
