import { and, count, eq, inArray, isNull, ne, sql } from "drizzle-orm";
import type { Role } from "@/core/policy/abilities";
import type { Tx } from "../database";
import {
  accessToken,
  account,
  collection,
  guest,
  handout,
  invitation,
  job,
  learnerGroup,
  mailAddress,
  membership,
  pairing,
  person,
  personPage,
  resource,
  session,
  team,
  verification,
} from "../schema";
import { queryRows } from "../sql/query-rows";

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
  for (const table of [guest, mailAddress]) await tx.delete(table).where(eq(table.person, id));
  // With the person go the rows that refer to them.
  if (name === null) await tx.delete(person).where(eq(person.id, id));
  else {
    await tx.delete(session).where(eq(session.userId, id));
    await tx.delete(account).where(eq(account.userId, id));
    for (const table of [accessToken, pairing, membership, personPage])
      await tx.delete(table).where(eq(table.person, id));
    await tx
      .update(person)
      .set({ email: `${id}@gone.invalid`, emailVerified: false, image: null, updatedAt: at })
      .where(eq(person.id, id));
  }
}

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
