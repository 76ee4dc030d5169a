import { and, asc, eq, inArray, isNull, max, ne, sql, type SQL } from "drizzle-orm";
import type { Ordered } from "@/core/order/place";
import type { Tx } from "../database";
import { collection, placement, section } from "../schema";
import { inParts } from "../sql/by-keys";
import { queryRows } from "../sql/query-rows";

/**
 * The orders things stand in. What lies in the bin keeps its key, and nothing else gets it: it comes back where it
 * stood, also when all keys were spread anew meanwhile.
 */
const TABLES = { collection, section, placement };
/** What stands in an order. */
export type InOrder = keyof typeof TABLES;

const inSection = (home: string, sectionId: string | null) =>
  and(
    eq(placement.collection, home),
    sectionId ? eq(placement.section, sectionId) : isNull(placement.section),
  );
const inParent = (team: string, parent: string | null) =>
  and(eq(collection.team, team), parent ? eq(collection.parent, parent) : isNull(collection.parent));

const ordered = (tx: Tx, what: InOrder, where: SQL | undefined): Promise<Ordered[]> => {
  const table = TABLES[what] as typeof section;
  return tx
    .select({
      id: table.id,
      position: table.position,
      gone: sql<boolean>`${table.deletedAt} IS NOT NULL`.mapWith(Boolean),
    })
    .from(table)
    .where(where)
    .orderBy(asc(table.position), asc(table.id));
};

/** Order keys of a section's items, of those in the bin too. The collection must be locked. */
export const orderOfItems = (tx: Tx, home: string, sectionId: string | null) =>
  ordered(tx, "placement", inSection(home, sectionId));
/** Order keys of a collection's sections, of those in the bin too. The collection must be locked. */
export const orderOfSections = (tx: Tx, home: string) => ordered(tx, "section", eq(section.collection, home));
/** Order keys of the collections in another one, of those in the bin too. The team must be locked. */
export const orderOfCollections = (tx: Tx, team: string, parent: string | null) =>
  ordered(tx, "collection", inParent(team, parent));

/** Gives things other order keys. */
export async function writeKeys(tx: Tx, what: InOrder, all: readonly Ordered[]): Promise<void> {
  for (const { id, position } of all)
    await tx.update(TABLES[what]).set({ position }).where(eq(TABLES[what].id, id));
}

/** The last order key in each of these collections' sections, of items in the bin too. */
export async function lastItemKeys(tx: Tx, collections: readonly string[]) {
  if (!collections.length) return [];
  return tx
    .select({
      collection: placement.collection,
      section: placement.section,
      last: max(placement.position),
    })
    .from(placement)
    .where(inArray(placement.collection, [...collections]))
    .groupBy(placement.collection, placement.section);
}

/** The last order key of the sections of each of these collections. */
export async function lastSectionKeys(tx: Tx, collections: readonly string[]): Promise<Map<string, string>> {
  if (!collections.length) return new Map();
  const rows = await tx
    .select({ collection: section.collection, last: max(section.position) })
    .from(section)
    .where(inArray(section.collection, [...collections]))
    .groupBy(section.collection);
  return new Map(rows.map((row) => [row.collection, row.last!]));
}

/** The last order key of the collections at the top and in each other one; that of the top under the empty text. */
export async function lastCollectionKeys(tx: Tx, team: string): Promise<Map<string, string>> {
  const rows = await tx
    .select({ parent: collection.parent, last: max(collection.position) })
    .from(collection)
    .where(eq(collection.team, team))
    .groupBy(collection.parent);
  return new Map(rows.map((row) => [row.parent ?? "", row.last!]));
}

/** How two rows of one order find each other: the one of whom it is asked is `a`, another one that is not in the bin `b`. */
const BESIDE = {
  section: sql`b.collection = a.collection`,
  placement: sql`b.collection = a.collection AND b.section <=> a.section`,
  collection: sql`b.team = a.team AND b.parent <=> a.parent`,
} satisfies Record<InOrder, SQL>;

/** Those of these things that have the key of another thing in the same order; mostly none, so it is asked at once. */
export async function withSharedKeys(tx: Tx, what: InOrder, ids: readonly string[]): Promise<string[]> {
  const found: string[] = [];
  await inParts(
    [...ids],
    async (part) => {
      const rows = await queryRows<{ id: string }>(
        tx,
        sql`SELECT DISTINCT a.id FROM ${TABLES[what]} a JOIN ${TABLES[what]} b
          ON ${BESIDE[what]} AND b.position = a.position AND b.id <> a.id AND b.deleted_at IS NULL
          WHERE a.id IN ${part}`,
      );
      found.push(...rows.map(({ id }) => id));
    },
    500,
  );
  return found;
}

/**
 * The order a thing stands in, without itself, if another thing that is not in the bin has the same key: what an undo puts back gets the
 * key it had, and somebody else's may have that by now.
 * @returns its key, the others with keys, in the bin or not, and the id of the one that has its key; null when it has its own
 */
export async function sharingKey(
  tx: Tx,
  what: InOrder,
  id: string,
): Promise<{ position: string; others: Ordered[]; other: string } | null> {
  const found = await inItsOrder(tx, what, id);
  if (!found) return null;
  const table = TABLES[what] as typeof section;
  const [other] = await tx
    .select({ id: table.id })
    .from(table)
    .where(and(found.order, eq(table.position, found.position), ne(table.id, id), isNull(table.deletedAt)))
    .limit(1);
  if (!other) return null;
  const others = (await ordered(tx, what, found.order)).filter((one) => one.id !== id);
  return { position: found.position, others, other: other.id };
}

async function inItsOrder(
  tx: Tx,
  what: InOrder,
  id: string,
): Promise<{ position: string; order: SQL } | null> {
  if (what === "section") {
    const [row] = await tx.select().from(section).where(eq(section.id, id));
    return row ? { position: row.position, order: eq(section.collection, row.collection) } : null;
  }
  if (what === "placement") {
    const [row] = await tx.select().from(placement).where(eq(placement.id, id));
    return row ? { position: row.position, order: inSection(row.collection, row.section)! } : null;
  }
  const [row] = await tx.select().from(collection).where(eq(collection.id, id));
  return row ? { position: row.position, order: inParent(row.team, row.parent)! } : null;
}
