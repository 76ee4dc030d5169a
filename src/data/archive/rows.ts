import {
  and,
  asc,
  eq,
  getTableColumns,
  getTableName,
  gt,
  inArray,
  isNotNull,
  isNull,
  or,
  type SQL,
  sql,
} from "drizzle-orm";
import type { MySqlColumn, MySqlTable } from "drizzle-orm/mysql-core";
import type { Tx } from "../database";
import { collection, event, mark, person, team } from "../schema";
import { queryRows } from "../sql/query-rows";
import { fieldsOf, lineExpression, withIds } from "./fields";
import type { Archived } from "./tables";

export type Row = Record<string, unknown>;
/** Whose archive it is. */
export type Taker = { team: string; person: string };

const IDS_AT_ONCE = 20_000;
/** Rows that are read at once; and of tables of which each row may hold a long text. */
const ROWS_AT_ONCE = 400;
const LONG_AT_ONCE = 200;
const LONG = new Set(["resource_text", "event", "snapshot"]);

const belongs = (tx: Tx, { column, of }: NonNullable<Archived["home"]>, id: string): SQL =>
  of === "team"
    ? eq(column, id)
    : inArray(column, tx.select({ id: collection.id }).from(collection).where(eq(collection.team, id)));

/** What happened only to one person's eyes is theirs. */
const seenBy = ({ name, personal }: Archived, taker: Taker): SQL | undefined => {
  if (name === "mark") return or(eq(mark.private, false), eq(mark.person, taker.person));
  if (name === "event") return or(isNull(event.onlyFor), eq(event.onlyFor, taker.person));
  return personal && eq(personal, taker.person);
};

/** The ids of the rows of a table with ids of its own, in their order. */
export async function* idsOf(tx: Tx, archived: Archived, taker: Taker): AsyncGenerator<string[]> {
  const { by, home, table } = archived;
  if (!("own" in by) || !home) return;
  const column = sql.raw(`\`${by.own.name}\``);
  for (let last = ""; ;) {
    const rows = await queryRows<{ id: string }>(
      tx,
      sql`SELECT ${column} AS id FROM ${table} WHERE ${and(belongs(tx, home, taker.team), seenBy(archived, taker), last ? gt(by.own, last) : undefined)} ORDER BY ${column} LIMIT ${sql.raw(String(IDS_AT_ONCE))}`,
    );
    const ids = rows.map((row) => row.id);
    if (ids.length) yield ids;
    if (ids.length < IDS_AT_ONCE) return;
    last = ids.at(-1)!;
  }
}

/** Some rows of a table: as lines of an archive, how many, and the stored files they name. */
export type Rows = { text: string; count: number; hashes: string[] };

/**
 * The rows of a table, some at a time, in the order of their ids or of what they belong to.
 * @param ids its own, or those of what its rows belong to
 * @param exchange gives each id the one it has in the archive
 */
export async function* rowsOf(
  tx: Tx,
  archived: Archived,
  ids: readonly string[],
  taker: Taker,
  exchange: (id: string) => string,
): AsyncGenerator<Rows> {
  const { by, table } = archived;
  const fields = fieldsOf(archived);
  const key = "own" in by ? by.own : by.parent;
  const order = [key.name, ...restOfKey(table, key)].map((name) => `\`${name}\``).join(", ");
  const hashes = fields.filter((field) => archived.hashes?.includes(field.name));
  const columns = [`${lineExpression(fields)} AS line`, ...hashes.map(({ column }) => `\`${column}\``)].join(
    ", ",
  );
  const from = `SELECT ${columns} FROM \`${getTableName(table)}\` WHERE \`${key.name}\` IN `;
  const seen = seenBy(archived, taker);
  const atOnce = LONG.has(archived.name) ? LONG_AT_ONCE : ROWS_AT_ONCE;
  const read = (i: number) => {
    // Ids of the database, which are written as they are: a value each would take longer than the rows themselves.
    const some = ids.slice(i, i + atOnce).map((id) => `'${id}'`);
    const asked = queryRows<Row & { line: string }>(
      tx,
      sql`${sql.raw(`${from}(${some.join(",")})`)}${seen ? sql` AND ${seen}` : sql``} ORDER BY ${sql.raw(order)}`,
    );
    // Whoever leaves before these were wanted does not hear of what became of them.
    asked.catch(() => undefined);
    return asked;
  };
  // The next ones are read while these are written.
  let coming = ids.length ? read(0) : null;
  for (let i = 0; coming; i += atOnce) {
    const rows: (Row & { line: string })[] = await coming;
    coming = i + atOnce < ids.length ? read(i + atOnce) : null;
    if (!rows.length) continue;
    const found = hashes.flatMap(({ column }) => rows.map((row) => row[column]));
    yield {
      text: withIds(`${rows.map((row) => row.line).join("\n")}\n`, exchange),
      count: rows.length,
      hashes: found.filter((hash) => typeof hash === "string"),
    };
  }
}

/** The other columns of a primary key, so that the order is one. */
const restOfKey = (table: MySqlTable, key: MySqlColumn): string[] =>
  Object.values(getTableColumns(table))
    .filter(
      (column) => column.name !== key.name && ["tag", "code", "hash", "b", "number"].includes(column.name),
    )
    .map((column) => column.name);

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
