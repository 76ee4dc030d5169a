import { eq, getTableColumns, getTableName, inArray, is, type SQL, sql } from "drizzle-orm";
import { type MySqlColumn, MySqlTable } from "drizzle-orm/mysql-core";
import type { Tx } from "../database";
import * as schema from "../schema";
import { inParts } from "../sql/by-keys";
import { dropListingsOf } from "./listings";
import { changeRows, queryRows } from "../sql/query-rows";
import { TIES } from "../ties";

const { agreed, collection, edition, event, handout, historyEntry, intake, learnerGroup, logEntry } = schema;
const { mark, ownTerm, placement, resource, snapshot, tag, team } = schema;

type Columns = Record<string, MySqlColumn>;
type Table = { table: MySqlTable; name: string; columns: Columns };

const TABLES: readonly Table[] = Object.values(schema as Record<string, unknown>).flatMap((table) =>
  is(table, MySqlTable)
    ? [{ table, name: getTableName(table), columns: getTableColumns(table) as Columns }]
    : [],
);

/** What is one's own and nobody else's, by table; what opens doors and where one is goes at once. */
const OWN = TABLES.filter(
  ({ name, columns }) =>
    TIES[name]!.account === "goes" && name !== "person" && (columns.person ?? columns.userId),
);

/** That a row is of a team, by itself or by what it is about; undefined when it is of none. */
function isOfTeam(columns: Columns, teamId: string): SQL | undefined {
  if (columns.team) return eq(columns.team, teamId);
  const home = columns.collection ? collection : resource;
  const column = columns.collection ?? columns.resource;
  return column && sql`${column} IN (SELECT h.id FROM ${home} h WHERE h.team = ${teamId})`;
}

/**
 * Erases some of what is somebody's alone: their Tray, what they marked for themselves, what they could take back.
 * @param teamId only what is of this team; null: everywhere
 * @param most rows of a table at once
 * @returns how many rows there were; none when all is gone
 */
export async function eraseSomeOwn(
  tx: Tx,
  { person: who, team: teamId }: { person: string; team: string | null },
  most: number,
): Promise<number> {
  let gone = 0;
  const erase = async (
    table: MySqlTable,
    column: MySqlColumn,
    /** That a row is of the team. */
    of: SQL | undefined,
    more = sql`TRUE`,
  ) => {
    if (teamId !== null && !of) return;
    const here = teamId === null ? sql`TRUE` : of!;
    gone += await changeRows(
      tx,
      sql`DELETE FROM ${table} WHERE ${eq(column, who)} AND ${here} AND ${more} LIMIT ${sql.raw(String(most))}`,
    );
  };
  for (const { table, name, columns } of OWN)
    if (teamId === null || name !== "membership")
      await erase(
        table,
        columns.person ?? columns.userId!,
        teamId === null ? undefined : isOfTeam(columns, teamId),
      );
  const own = (column: MySqlColumn) => (teamId === null ? undefined : eq(column, teamId));
  await erase(mark, mark.person, own(mark.team), sql`${mark.private}`);
  await erase(ownTerm, ownTerm.person, own(ownTerm.team));
  await erase(logEntry, logEntry.person, undefined, sql`${logEntry.team} IS NULL`);
  return gone;
}

/** The fields by which a row says whose it is, by the names they have in the schema. */
const SIGNED = [
  "person",
  "addedBy",
  "createdBy",
  "madeBy",
  "settledBy",
  "askedOf",
  "askedBy",
  "actor",
  "onlyFor",
];

/** Where it says who made what stays with a team: the id itself, or an id in what is written down whole. */
type Signature = { table: MySqlTable; id: MySqlColumn; field: MySqlColumn; of: SQL; whole?: true };

const inTeam = (column: MySqlColumn) => (team: string) => sql`${column} = ${team}`;
const SIGNATURES: readonly ((team: string) => Signature)[] = [
  ...TABLES.flatMap(({ table, name, columns }) => {
    const { account: becomes } = TIES[name]!;
    if (!columns.team || becomes === "goes" || becomes === "not of a person") return [];
    return SIGNED.filter((key) => columns[key]).map((key) => (of: string) => ({
      table,
      id: columns.id!,
      field: columns[key]!,
      of: inTeam(columns.team!)(of),
    }));
  }),
  (of) => ({ table: event, id: event.id, field: event.subject, of: inTeam(event.team)(of) }),
  (of) => ({
    ...{ table: edition, id: edition.id, field: edition.person },
    of: sql`${edition.collection} IN (SELECT c.id FROM ${collection} c WHERE c.team = ${of})`,
  }),
  ...[
    { table: event, id: event.id, field: event.changes, team: event.team },
    { table: event, id: event.id, field: event.data, team: event.team },
    { table: historyEntry, id: historyEntry.id, field: historyEntry.changes, team: historyEntry.team },
    { table: snapshot, id: snapshot.id, field: snapshot.state, team: snapshot.team },
    { table: agreed, id: agreed.id, field: agreed.people, team: agreed.team },
  ].map(({ team: column, ...one }) => (of: string): Signature => ({
    ...one,
    of: inTeam(column)(of),
    whole: true,
  })),
];

/** So many rows are looked for at once: each look goes through all of a team. */
const MOST_FOUND = 50_000;

/**
 * Takes somebody's name off some of what they made in a team, by putting an id nobody has in the place of theirs.
 * @param as that id
 * @param most rows of a table in one statement
 * @returns how many rows there were; none when it is off all
 */
export async function unsignSome(
  tx: Tx,
  { team: teamId, person: who, as }: { team: string; person: string; as: string },
  most: number,
): Promise<number> {
  let done = 0;
  for (const { table, id, field, of, whole } of SIGNATURES.map((one) => one(teamId))) {
    const found = await queryRows<{ id: string }>(
      tx,
      sql`SELECT ${id} AS id FROM ${table} WHERE ${of} AND ${whole ? sql`${field} LIKE ${`%${who}%`}` : eq(field, who)}
        LIMIT ${sql.raw(String(MOST_FOUND))}`,
    );
    const name = sql.identifier(field.name);
    const changed = whole ? sql`REPLACE(${name}, ${who}, ${as})` : sql`${as}`;
    await inParts(
      found.map((row) => row.id),
      (ids) => tx.execute(sql`UPDATE ${table} SET ${name} = ${changed} WHERE ${inArray(id, ids)}`),
      most,
    );
    done += found.length;
  }
  return done;
}

/** What others refer to goes last, and what goes with it is few by then. */
const LAST: string[] = [placement, handout, learnerGroup, collection, resource, tag, intake].map((table) =>
  getTableName(table),
);
const ALL_OF_TEAM = TABLES.filter(({ columns, name }) => columns.team && name !== "team").sort(
  (a, b) => LAST.indexOf(a.name) - LAST.indexOf(b.name),
);

/**
 * Erases what a team has, table by table, and then the team itself. Each statement is for good by itself, so it goes on
 * where it stopped.
 * @param most rows of a table at once
 */
export async function eraseTeam(tx: Tx, teamId: string, most: number): Promise<void> {
  await dropListingsOf(tx, teamId);
  for (const { table, columns } of ALL_OF_TEAM) {
    const some = () =>
      changeRows(
        tx,
        sql`DELETE FROM ${table} WHERE ${eq(columns.team!, teamId)} LIMIT ${sql.raw(String(most))}`,
      );
    while ((await some()) > 0);
  }
  await tx.delete(team).where(eq(team.id, teamId));
}
