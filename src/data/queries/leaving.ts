import { and, count, eq, getTableColumns, getTableName, inArray, is, isNull, ne, sql } from "drizzle-orm";
import { MySqlTable } from "drizzle-orm/mysql-core";
import type { MySqlColumn } from "drizzle-orm/mysql-core";
import type { Role } from "@/core/policy/abilities";
import type { Tx } from "../database";
import * as schema from "../schema";
import { changeRows, queryRows } from "../sql/query-rows";
import { TIES } from "../ties";

const {
  account,
  collection,
  edition,
  event,
  guest,
  handout,
  historyEntry,
  invitation,
  job,
  learnerGroup,
  logEntry,
} = schema;
const { mark, membership, ownTerm, person, placement, resource, snapshot, team, verification } = schema;

type Columns = Record<string, MySqlColumn>;
type Table = { table: MySqlTable; name: string; columns: Columns };

const TABLES: readonly Table[] = Object.values(schema as Record<string, unknown>).flatMap((table) =>
  is(table, MySqlTable)
    ? [{ table, name: getTableName(table), columns: getTableColumns(table) as Columns }]
    : [],
);

/** The hashed password of somebody; null when there is no such account. */
export async function passwordOf(tx: Tx, id: string): Promise<string | null> {
  const rows = await tx
    .select({ password: account.password })
    .from(account)
    .where(and(eq(account.userId, id), eq(account.providerId, "credential")));
  return rows[0]?.password ?? null;
}

/** The teams somebody is in, by id, with how many others are and how much they hold. */
export async function teamsOfLeaver(tx: Tx, id: string) {
  return queryRows<{
    id: string;
    name: string;
    own: number;
    role: Role;
    members: number;
    owners: number;
    collections: number;
    things: number;
  }>(
    tx,
    sql`SELECT t.id, t.name, t.own_of IS NOT NULL AS own, mine.role,
        (SELECT COUNT(*) FROM ${membership} m WHERE m.team = t.id) AS members,
        (SELECT COUNT(*) FROM ${membership} m WHERE m.team = t.id AND m.role = 'owner') AS owners,
        (SELECT COUNT(*) FROM ${collection} c WHERE c.team = t.id AND c.deleted_at IS NULL) AS collections,
        (SELECT COUNT(*) FROM ${resource} r WHERE r.team = t.id AND r.deleted_at IS NULL) AS things
      FROM ${membership} mine JOIN ${team} t ON t.id = mine.team
      WHERE mine.person = ${id} ORDER BY own DESC, t.name, t.id`,
  );
}

/** How many collections somebody was let into as a guest. */
export async function countAsGuest(tx: Tx, id: string): Promise<number> {
  return (await tx.select({ many: count() }).from(guest).where(eq(guest.person, id)))[0]!.many;
}

/** The members of teams, locked, by team and in its order, so that nobody comes or goes while it is decided. */
export async function lockMembers(tx: Tx, teams: readonly string[]) {
  if (!teams.length) return [];
  return tx
    .select({ team: membership.team, person: membership.person, role: membership.role })
    .from(membership)
    .where(inArray(membership.team, [...teams]))
    .orderBy(membership.team, membership.id)
    .for("update");
}

/** The invitations of teams let nobody in any more. */
export async function endInvitationsOf(tx: Tx, teams: readonly string[], at: Date): Promise<void> {
  if (!teams.length) return;
  await tx
    .update(invitation)
    .set({ revokedAt: at })
    .where(and(inArray(invitation.team, [...teams]), isNull(invitation.revokedAt)));
}

/** Nothing of these teams is to be seen any more, by members, guests, readers or learners; it is erased afterwards. */
export async function closeTeams(tx: Tx, teams: readonly string[], at: Date): Promise<void> {
  if (!teams.length) return;
  for (const table of [collection, handout, learnerGroup])
    await tx
      .update(table)
      .set({ deletedAt: at })
      .where(and(inArray(table.team, [...teams]), isNull(table.deletedAt)));
  await tx.delete(membership).where(inArray(membership.team, [...teams]));
  await tx.delete(job).where(and(inArray(job.team, [...teams]), ne(job.state, "running")));
}

/**
 * Somebody comes in no more: sessions, tokens and memberships end.
 * @param name under which what they made stays; null: nothing says who they were
 */
export async function closeAccount(tx: Tx, id: string, name: string | null, at: Date): Promise<void> {
  await tx.delete(verification).where(eq(verification.value, id));
  await tx.delete(guest).where(eq(guest.person, id));
  // With the person go the rows that refer to them.
  if (name === null) await tx.delete(person).where(eq(person.id, id));
  else {
    for (const { table, columns } of TABLES)
      if (KEYS.has(getTableName(table)))
        await tx.delete(table).where(eq(columns.userId ?? columns.person!, id));
    await tx
      .update(person)
      .set({ email: `${id}@gone.invalid`, emailVerified: false, image: null, updatedAt: at })
      .where(eq(person.id, id));
  }
}
const KEYS = new Set(["session", "account", "access_token", "pairing", "membership", "mail_address"]);

/** The invitations that were sent to an address go. */
export async function forgetInvitationsTo(tx: Tx, address: string): Promise<void> {
  await tx.delete(invitation).where(eq(invitation.address, address));
}

/** Whether somebody is still in a team, or a guest of one of its collections. */
export async function isStillIn(tx: Tx, teamId: string, who: string): Promise<boolean> {
  const [member] = await tx
    .select({ id: membership.id })
    .from(membership)
    .where(and(eq(membership.team, teamId), eq(membership.person, who)));
  if (member) return true;
  const [into] = await tx
    .select({ collection: guest.collection })
    .from(guest)
    .innerJoin(collection, eq(collection.id, guest.collection))
    .where(and(eq(guest.person, who), eq(collection.team, teamId)))
    .limit(1);
  return into !== undefined;
}

/** What is one's own and nobody else's, by table; what opens doors and where one is goes at once. */
const OWN = TABLES.filter(
  ({ name, columns }) =>
    TIES[name]!.account === "goes" && name !== "person" && (columns.person ?? columns.userId),
);

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
    of: MySqlColumn | undefined,
    more = sql`TRUE`,
  ) => {
    if (teamId !== null && !of) return;
    const inTeam = teamId === null ? sql`TRUE` : sql`${of!} = ${teamId}`;
    gone += await changeRows(
      tx,
      sql`DELETE FROM ${table} WHERE ${eq(column, who)} AND ${inTeam} AND ${more} LIMIT ${sql.raw(String(most))}`,
    );
  };
  for (const { table, name, columns } of OWN)
    if (teamId === null || name !== "membership")
      await erase(table, columns.person ?? columns.userId!, columns.team);
  await erase(mark, mark.person, mark.team, sql`${mark.private}`);
  await erase(ownTerm, ownTerm.person, ownTerm.team);
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

/** What stays with a team and says who made it. */
const OF_TEAM = TABLES.flatMap(({ table, name, columns }) =>
  columns.team && TIES[name]!.account !== "goes" && TIES[name]!.account !== "not of a person"
    ? SIGNED.filter((key) => columns[key]).map((key) => ({ table, column: columns[key]!, of: columns.team! }))
    : [],
);
/** Where what was is written down whole, with who it was by. */
const WRITTEN = [
  { table: event, column: event.changes, of: event.team },
  { table: event, column: event.data, of: event.team },
  { table: historyEntry, column: historyEntry.changes, of: historyEntry.team },
  { table: snapshot, column: snapshot.state, of: snapshot.team },
];

/**
 * Takes somebody's name off some of what they made in a team, by putting an id nobody has in the place of theirs.
 * @param as that id
 * @param most rows of a field at once
 * @returns how many rows there were; none when it is off all
 */
export async function unsignSome(
  tx: Tx,
  { team: teamId, person: who, as }: { team: string; person: string; as: string },
  most: number,
): Promise<number> {
  const limit = sql.raw(String(most));
  let done = 0;
  for (const { table, column, of } of [...OF_TEAM, { table: event, column: event.subject, of: event.team }])
    done += await changeRows(
      tx,
      sql`UPDATE ${table} SET ${sql.identifier(column.name)} = ${as} WHERE ${eq(of, teamId)} AND ${eq(column, who)} LIMIT ${limit}`,
    );
  done += await changeRows(
    tx,
    sql`UPDATE ${edition} SET person = ${as} WHERE ${eq(edition.person, who)}
      AND ${edition.collection} IN (SELECT c.id FROM ${collection} c WHERE c.team = ${teamId}) LIMIT ${limit}`,
  );
  for (const { table, column, of } of WRITTEN) {
    const name = sql.identifier(column.name);
    done += await changeRows(
      tx,
      sql`UPDATE ${table} SET ${name} = REPLACE(${name}, ${who}, ${as})
        WHERE ${eq(of, teamId)} AND ${name} LIKE ${`%${who}%`} LIMIT ${limit}`,
    );
  }
  return done;
}

/** What others refer to goes last, and what goes with it is few by then. */
const LAST: string[] = [
  placement,
  handout,
  learnerGroup,
  collection,
  resource,
  schema.tag,
  schema.intake,
].map((table) => getTableName(table));
const ALL_OF_TEAM = TABLES.filter(({ columns, name }) => columns.team && name !== "team").sort(
  (a, b) => LAST.indexOf(a.name) - LAST.indexOf(b.name),
);

/**
 * Erases some of what a team has; the team itself when nothing else is left.
 * @param most rows of a table at once
 * @returns how many rows there were; none when all is gone
 */
export async function eraseSomeOfTeam(tx: Tx, teamId: string, most: number): Promise<number> {
  for (const { table, columns } of ALL_OF_TEAM) {
    const gone = await changeRows(
      tx,
      sql`DELETE FROM ${table} WHERE ${eq(columns.team!, teamId)} LIMIT ${sql.raw(String(most))}`,
    );
    // One table at a time: what refers to the next has gone by then.
    if (gone) return gone;
  }
  return changeRows(tx, sql`DELETE FROM ${team} WHERE ${eq(team.id, teamId)}`);
}
