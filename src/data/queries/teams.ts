import { and, asc, eq, gt, isNull, sql } from "drizzle-orm";
import type { Role } from "@/core/policy/abilities";
import type { Tx } from "../database";
import { accessToken, invitation, membership, person, team } from "../schema";

/** The teams a person is in: the own one first, then by name. */
export async function teamsOf(tx: Tx, personId: string) {
  return tx
    .select({
      id: team.id,
      name: team.name,
      own: sql<number>`${team.ownOf} is not null`,
      role: membership.role,
    })
    .from(membership)
    .innerJoin(team, eq(team.id, membership.team))
    .where(eq(membership.person, personId))
    .orderBy(sql`${team.ownOf} is null`, asc(team.name));
}

/** A person's role in a team, or null. */
export async function roleIn(tx: Tx, teamId: string, personId: string): Promise<Role | null> {
  const rows = await tx
    .select({ role: membership.role })
    .from(membership)
    .where(and(eq(membership.person, personId), eq(membership.team, teamId)));
  return rows[0]?.role ?? null;
}

export async function membersOf(tx: Tx, teamId: string) {
  return tx
    .select({
      id: person.id,
      name: person.name,
      email: person.email,
      role: membership.role,
      since: membership.createdAt,
    })
    .from(membership)
    .innerJoin(person, eq(person.id, membership.person))
    .where(eq(membership.team, teamId))
    .orderBy(asc(person.name));
}

/** Owners of a team, locked, so that two of them cannot both leave at once. */
export async function lockOwners(tx: Tx, teamId: string): Promise<string[]> {
  const rows = await tx
    .select({ person: membership.person })
    .from(membership)
    .where(and(eq(membership.team, teamId), eq(membership.role, "owner")))
    .for("update");
  return rows.map((row) => row.person);
}

/** Invitations that can still be taken up. */
export async function openInvitations(tx: Tx, teamId: string, at: Date) {
  return tx
    .select({
      id: invitation.id,
      code: invitation.code,
      role: invitation.role,
      expiresAt: invitation.expiresAt,
    })
    .from(invitation)
    .where(and(eq(invitation.team, teamId), isNull(invitation.revokedAt), gt(invitation.expiresAt, at)))
    .orderBy(invitation.id);
}

/** The invitation with this code, if it still holds, with the team's name. */
export async function findInvitation(tx: Tx, code: string, at: Date) {
  const rows = await tx
    .select({
      id: invitation.id,
      team: invitation.team,
      role: invitation.role,
      teamName: team.name,
      byName: person.name,
    })
    .from(invitation)
    .innerJoin(team, eq(team.id, invitation.team))
    .leftJoin(person, eq(person.id, invitation.madeBy))
    .where(and(eq(invitation.code, code), isNull(invitation.revokedAt), gt(invitation.expiresAt, at)));
  return rows[0] ?? null;
}

/** Whose token this is, and notes that it was used; null when there is none or it was revoked. */
export async function personOfToken(tx: Tx, hash: string, at: Date) {
  const rows = await tx
    .select({
      token: accessToken.id,
      scope: accessToken.scope,
      id: person.id,
      name: person.name,
      email: person.email,
      lastUsedAt: accessToken.lastUsedAt,
    })
    .from(accessToken)
    .innerJoin(person, eq(person.id, accessToken.person))
    .where(and(eq(accessToken.hash, hash), isNull(accessToken.revokedAt)));
  const row = rows[0];
  if (!row) return null;
  // Once a minute is often enough to tell which tokens are in use.
  if (!row.lastUsedAt || at.getTime() - row.lastUsedAt.getTime() > 60_000)
    await tx.update(accessToken).set({ lastUsedAt: at }).where(eq(accessToken.id, row.token));
  return { id: row.id, name: row.name, email: row.email, scope: row.scope };
}
