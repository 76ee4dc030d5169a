import { and, asc, eq, getTableColumns, gt, inArray, isNotNull, isNull, or, type SQL } from "drizzle-orm";
import type { MySqlColumn, MySqlTable } from "drizzle-orm/mysql-core";
import type { Tx } from "../database";
import { collection, event, person, team } from "../schema";
import type { Archived } from "./tables";

export type Row = Record<string, unknown>;
/** Whose archive it is. */
export type Taker = { team: string; person: string };

const IDS_AT_ONCE = 20_000;
/** Rows of which each may hold a long text. */
const ROWS_AT_ONCE = 200;

const belongs = (tx: Tx, { column, of }: NonNullable<Archived["home"]>, id: string): SQL =>
  of === "team"
    ? eq(column, id)
    : inArray(column, tx.select({ id: collection.id }).from(collection).where(eq(collection.team, id)));

/** What happened only to one person's eyes is theirs. */
const seenBy = ({ name, personal }: Archived, taker: Taker): SQL | undefined => {
  if (name === "event") return or(isNull(event.onlyFor), eq(event.onlyFor, taker.person));
  return personal && eq(personal, taker.person);
};

/** The ids of the rows of a table with ids of its own, in their order. */
export async function* idsOf(tx: Tx, archived: Archived, taker: Taker): AsyncGenerator<string[]> {
  const { by, home, table } = archived;
  if (!("own" in by) || !home) return;
  for (let last = ""; ;) {
    const rows = await tx
      .select({ id: by.own })
      .from(table)
      .where(and(belongs(tx, home, taker.team), seenBy(archived, taker), last ? gt(by.own, last) : undefined))
      .orderBy(asc(by.own))
      .limit(IDS_AT_ONCE);
    const ids = rows.map((row) => row.id as string);
    if (ids.length) yield ids;
    if (ids.length < IDS_AT_ONCE) return;
    last = ids.at(-1)!;
  }
}

/**
 * The rows of a table, some at a time, in the order of their ids or of what they belong to.
 * @param ids its own, or those of what its rows belong to
 */
export async function* rowsOf(
  tx: Tx,
  archived: Archived,
  ids: readonly string[],
  taker: Taker,
): AsyncGenerator<Row[]> {
  const { by, table } = archived;
  const key = "own" in by ? by.own : by.parent;
  for (let i = 0; i < ids.length; i += ROWS_AT_ONCE) {
    const rows = await tx
      .select()
      .from(table)
      .where(and(inArray(key, ids.slice(i, i + ROWS_AT_ONCE)), seenBy(archived, taker)))
      .orderBy(asc(key), ...restOfKey(table, key));
    if (rows.length) yield rows as Row[];
  }
}

/** The other columns of a primary key, so that the order is one. */
const restOfKey = (table: MySqlTable, key: MySqlColumn): SQL[] =>
  Object.values(getTableColumns(table))
    .filter((column) => column.name !== key.name && ["tag", "code", "hash", "b"].includes(column.name))
    .map((column) => asc(column as MySqlColumn));

/** The people that are named in a field of a table. */
export async function peopleIn(tx: Tx, archived: Archived, field: string, taker: Taker): Promise<string[]> {
  const column = (getTableColumns(archived.table) as Record<string, MySqlColumn>)[field]!;
  const { home } = archived;
  if (!home) return [];
  const rows = await tx
    .selectDistinct({ id: column })
    .from(archived.table)
    .where(and(belongs(tx, home, taker.team), seenBy(archived, taker), isNotNull(column)));
  return rows.map((row) => row.id as string);
}

/** What people are called; who has no account any more is not among them. */
export async function namesOfPeople(tx: Tx, ids: readonly string[]): Promise<Map<string, string>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(inArray(person.id, [...ids]));
  return new Map(rows.map((row) => [row.id, row.name]));
}

/** What is written of the team itself. */
export async function teamRow(tx: Tx, id: string) {
  const [found] = await tx
    .select({ name: team.name, citationStyle: team.citationStyle, createdAt: team.createdAt })
    .from(team)
    .where(eq(team.id, id));
  return found ?? null;
}

/** The collections at the top of a team that are not in the bin, in their order. */
export async function topCollections(tx: Tx, id: string): Promise<{ id: string; title: string }[]> {
  return tx
    .select({ id: collection.id, title: collection.title })
    .from(collection)
    .where(and(eq(collection.team, id), isNull(collection.parent), isNull(collection.deletedAt)))
    .orderBy(asc(collection.position), asc(collection.id));
}
