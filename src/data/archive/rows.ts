import {
  and,
  asc,
  between,
  eq,
  getTableColumns,
  gt,
  inArray,
  isNotNull,
  isNull,
  notInArray,
  or,
  type SQL,
  sql,
} from "drizzle-orm";
import type { MySqlColumn, MySqlTable } from "drizzle-orm/mysql-core";
import type { Tx } from "../database";
import { appraisal, collection, event, mark, round, team } from "../schema";
import { queryRows } from "../sql/query-rows";
import { type Exchange, fieldsOf, type HalfLine, halfLines, lineMaker } from "./fields";
import { ARCHIVED, type Archived } from "./tables";

export type Row = Record<string, unknown>;
/** Whose archive it is. */
export type Taker = { team: string; person: string };

/** For each of these the database puts all the rest in order again; of a quarter of a million it sends 10 MB. */
const IDS_AT_ONCE = 250_000;
/** Rows that are read at once; and of tables of which each row may hold a long text. */
const ROWS_AT_ONCE = 2_000;
const LONG_AT_ONCE = 200;
const LONG = new Set(["resource_text", "event", "snapshot"]);

const belongs = (tx: Tx, { column, of }: NonNullable<Archived["home"]>, id: string): SQL =>
  of === "team"
    ? eq(column, id)
    : inArray(column, tx.select({ id: collection.id }).from(collection).where(eq(collection.team, id)));

/** That an appraisal is in no round that is judged blind and has not been opened. */
const isOpenToAll = (tx: Tx): SQL | undefined =>
  or(
    isNull(appraisal.round),
    notInArray(
      appraisal.round,
      tx
        .select({ id: round.id })
        .from(round)
        .where(and(eq(round.team, appraisal.team), eq(round.blind, true), eq(round.state, "judging"))),
    ),
  );

/** What is for one person's eyes alone is theirs. */
const seenBy = (tx: Tx, { name, personal }: Archived, taker: Taker): SQL | undefined => {
  if (name === "mark") return or(eq(mark.private, false), eq(mark.person, taker.person));
  if (name === "event") return or(isNull(event.onlyFor), eq(event.onlyFor, taker.person));
  if (name === "appraisal") return or(eq(appraisal.person, taker.person), isOpenToAll(tx));
  return personal && eq(personal, taker.person);
};

/** What is read ahead: whoever leaves before it was wanted does not hear of what became of it. */
function ahead<T>(asked: Promise<T>): Promise<T> {
  asked.catch(() => undefined);
  return asked;
}

/** What the rows of a table are found by. */
const keyOf = ({ by }: Archived): MySqlColumn => ("own" in by ? by.own : by.parent);

/** Which rows of a table go along. */
function isTaken(tx: Tx, archived: Archived, taker: Taker): SQL {
  const { by, home, dense } = archived;
  const found = "own" in by ? archived : ARCHIVED.find(({ name }) => name === by.of)!;
  const mine = belongs(tx, (home ?? found.home)!, taker.team);
  const inside =
    "own" in by || dense
      ? mine
      : inArray(
          by.parent,
          tx
            .select({ id: keyOf(found) })
            .from(found.table)
            .where(mine),
        );
  return and(inside, seenBy(tx, archived, taker))!;
}

/**
 * What the rows of a table are found by, in its order, each once: their own ids, or those of what they belong to, as far as
 * it has any.
 */
export async function* idsOf(tx: Tx, archived: Archived, taker: Taker): AsyncGenerator<string[]> {
  const key = keyOf(archived);
  const select = sql.raw("own" in archived.by ? "SELECT" : "SELECT DISTINCT");
  const read = (after: string) =>
    ahead(
      queryRows<{ id: string }>(
        tx,
        sql`${select} ${key} AS id FROM ${archived.table} WHERE ${and(isTaken(tx, archived, taker), after ? gt(key, after) : undefined)} ORDER BY ${key} LIMIT ${sql.raw(String(IDS_AT_ONCE))}`,
      ),
    );
  for (let coming: Promise<{ id: string }[]> | null = read(""); coming;) {
    const rows: { id: string }[] = await coming;
    coming = rows.length < IDS_AT_ONCE ? null : read(rows.at(-1)!.id);
    if (rows.length) yield rows.map((row) => row.id);
  }
}

/** Some rows of a table: as lines of an archive, how many, and the stored files they name. */
export type Rows = { text: string; count: number; hashes: ReadonlySet<string> };

/**
 * The rows of a table, some at a time, in the order of their ids or of what they belong to.
 * @param ids those `idsOf` gives
 * @param exchange gives each id the one it has in the archive
 */
export async function* rowsOf(
  tx: Tx,
  archived: Archived,
  ids: readonly string[],
  taker: Taker,
  exchange: Exchange,
): AsyncGenerator<Rows> {
  const { table } = archived;
  const fields = fieldsOf(archived);
  const key = keyOf(archived);
  const order = [key.name, ...(archived.dense ? ["id"] : restOfKey(table, key))]
    .map((name) => `\`${name}\``)
    .join(", ");
  const hashes = fields.filter((field) => archived.hashes?.includes(field.name));
  const columns = [...halfLines(fields), ...hashes.map(({ column }) => `\`${column}\``)].join(", ");
  const toLine = lineMaker(fields, exchange);
  const taken = isTaken(tx, archived, taker);
  const atOnce = LONG.has(archived.name) ? LONG_AT_ONCE : ROWS_AT_ONCE;
  const read = (i: number) => {
    // To name each id would take longer than the rows themselves.
    const [first, last] = [ids[i], ids[Math.min(i + atOnce, ids.length) - 1]];
    return ahead(
      queryRows<Row & HalfLine>(
        tx,
        sql`SELECT ${sql.raw(columns)} FROM ${table} WHERE ${between(key, first, last)} AND ${taken} ORDER BY ${sql.raw(order)}`,
      ),
    );
  };
  // The next ones are read while these are written.
  let coming = ids.length ? read(0) : null;
  for (let i = 0; coming; i += atOnce) {
    const rows: (Row & HalfLine)[] = await coming;
    coming = i + atOnce < ids.length ? read(i + atOnce) : null;
    if (!rows.length) continue;
    let text = "";
    for (const row of rows) text += toLine(row);
    const found = new Set<string>();
    for (const { column } of hashes)
      for (const row of rows) {
        const hash = row[column];
        if (typeof hash === "string") found.add(hash);
      }
    yield { text, count: rows.length, hashes: found };
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
  const rows = await tx
    .selectDistinct({ id: column })
    .from(archived.table)
    .where(and(isTaken(tx, archived, taker), isNotNull(column)));
  return rows.map((row) => row.id as string);
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
