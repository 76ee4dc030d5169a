import { and, asc, eq, gt, inArray, isNotNull, isNull, lt, or, sql } from "drizzle-orm";
import type { Role } from "@/core/policy/abilities";
import type { Tx } from "../database";
import { collection, invitation, membership, person, team } from "../schema";
import { code } from "../sql/code";
import { changeRows } from "../sql/query-rows";

/** The teams a person is in: the own one first, then by name. */
export async function teamsOf(tx: Tx, personId: string) {
  return tx
    .select({
      id: team.id,
      name: team.name,
      own: sql<number>`${team.ownOf} is not null`,
      role: membership.role,
      citationStyle: team.citationStyle,
    })
    .from(membership)
    .innerJoin(team, eq(team.id, membership.team))
    .where(eq(membership.person, personId))
    .orderBy(sql`${team.ownOf} is null`, asc(team.name));
}

/** What a team is called; null when there is none. */
export async function nameOfTeam(tx: Tx, id: string): Promise<string | null> {
  return (await tx.select({ name: team.name }).from(team).where(eq(team.id, id)))[0]?.name ?? null;
}

/** The public page of a team: whether it has one, and what it says of the team; null: there is no such team. */
export async function pageOfTeam(tx: Tx, id: string) {
  const { name, hasPage, pageWords, pagePicture } = team;
  const rows = await tx
    .select({ name, open: hasPage, words: pageWords, picture: pagePicture })
    .from(team)
    .where(eq(team.id, id));
  return rows[0] ?? null;
}

/** Those of these teams that have a public page. */
export async function withPages(tx: Tx, ids: readonly string[]): Promise<string[]> {
  if (!ids.length) return [];
  const rows = await tx
    .select({ id: team.id })
    .from(team)
    .where(and(inArray(team.id, [...ids]), eq(team.hasPage, true)));
  return rows.map((row) => row.id);
}

export async function setPageOfTeam(
  tx: Tx,
  id: string,
  { open, words, picture }: { open?: boolean; words?: string; picture?: string | null },
): Promise<void> {
  await tx.update(team).set({ hasPage: open, pageWords: words, pagePicture: picture }).where(eq(team.id, id));
}

/** A person's role in a team, or null. */
export async function roleIn(tx: Tx, teamId: string, personId: string): Promise<Role | null> {
  const rows = await tx
    .select({ role: membership.role })
    .from(membership)
    .where(and(eq(membership.person, personId), eq(membership.team, teamId)));
  return rows[0]?.role ?? null;
}

/** The members of a team with names and roles. */
export async function membersOf(tx: Tx, teamId: string) {
  return tx
    .select({
      id: person.id,
      name: person.name,
      email: person.email,
      image: person.image,
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

/** An invitation that lets somebody in: not ended, not over, not used up. */
const holds = (at: Date) =>
  and(
    isNull(invitation.revokedAt),
    gt(invitation.expiresAt, at),
    or(isNull(invitation.most), lt(invitation.used, invitation.most)),
  );

/**
 * Invitations that can still be taken up.
 * @param into the collection into which they let guests; null: those into the team
 */
export async function openInvitations(tx: Tx, teamId: string, into: string | null, at: Date) {
  return tx
    .select({
      id: invitation.id,
      code: invitation.code,
      short: invitation.short,
      role: invitation.role,
      address: invitation.address,
      most: invitation.most,
      used: invitation.used,
      expiresAt: invitation.expiresAt,
    })
    .from(invitation)
    .where(
      and(
        eq(invitation.team, teamId),
        into ? eq(invitation.collection, into) : isNull(invitation.collection),
        holds(at),
      ),
    )
    .orderBy(invitation.id);
}

/** The invitation with this code, if it has not ended, with the team's name; it may be used up. */
export async function findInvitation(tx: Tx, given: string, at: Date) {
  const rows = await tx
    .select({
      id: invitation.id,
      team: invitation.team,
      role: invitation.role,
      address: invitation.address,
      most: invitation.most,
      used: invitation.used,
      teamName: team.name,
      collection: invitation.collection,
      title: collection.title,
      byName: person.name,
    })
    .from(invitation)
    .innerJoin(team, eq(team.id, invitation.team))
    .leftJoin(collection, eq(collection.id, invitation.collection))
    .leftJoin(person, eq(person.id, invitation.madeBy))
    .where(
      and(
        eq(invitation.code, code(given)),
        isNull(invitation.revokedAt),
        gt(invitation.expiresAt, at),
        // Into what is in the bin nobody comes, until it is back.
        or(isNull(invitation.collection), and(isNotNull(collection.id), isNull(collection.deletedAt))),
      ),
    );
  return rows[0] ?? null;
}

/** The long code of the invitation with this short one, used up or not; null when there is none or it has ended. */
export async function invitationByShort(tx: Tx, given: string, at: Date): Promise<string | null> {
  const rows = await tx
    .select({ code: invitation.code })
    .from(invitation)
    .where(
      and(eq(invitation.short, code(given)), isNull(invitation.revokedAt), gt(invitation.expiresAt, at)),
    );
  return rows[0]?.code ?? null;
}

/** Makes a team, without members yet. */
export async function addTeam(tx: Tx, row: typeof team.$inferInsert): Promise<void> {
  await tx.insert(team).values(row);
}

/** Gives a team another name. */
export async function renameTeam(tx: Tx, id: string, name: string): Promise<void> {
  await tx.update(team).set({ name }).where(eq(team.id, id));
}

/** Makes somebody a member, or gives a member another role. */
export async function addMember(tx: Tx, row: typeof membership.$inferInsert): Promise<void> {
  await tx
    .insert(membership)
    .values(row)
    .onDuplicateKeyUpdate({ set: { role: row.role } });
}

/** Gives a member another role. */
export async function setMemberRole(tx: Tx, teamId: string, personId: string, role: Role): Promise<void> {
  await tx
    .update(membership)
    .set({ role })
    .where(and(eq(membership.team, teamId), eq(membership.person, personId)));
}

/** Takes somebody out of a team. */
export async function dropMember(tx: Tx, teamId: string, personId: string): Promise<void> {
  await tx.delete(membership).where(and(eq(membership.team, teamId), eq(membership.person, personId)));
}

/** Writes down an invitation. */
export async function addInvitation(tx: Tx, row: typeof invitation.$inferInsert): Promise<void> {
  await tx.insert(invitation).values(row);
}

/**
 * One more has come by an invitation.
 * @returns false when it has let in as many as it may
 */
export async function useInvitation(tx: Tx, id: string, at: Date): Promise<boolean> {
  return (
    (await changeRows(
      tx,
      sql`UPDATE ${invitation} SET used = used + 1 WHERE ${eq(invitation.id, id)} AND ${holds(at)}`,
    )) > 0
  );
}

/** An invitation that still holds goes on for longer, and in another role. */
export async function renewInvitation(
  tx: Tx,
  id: string,
  fields: Pick<typeof invitation.$inferInsert, "role" | "expiresAt">,
): Promise<void> {
  await tx.update(invitation).set(fields).where(eq(invitation.id, id));
}

/**
 * Locks a team's invitations that were sent by mail and still hold, by their addresses.
 * @param into the collection into which they let guests; null: those into the team
 */
export async function lockSent(tx: Tx, teamId: string, into: string | null, at: Date) {
  const rows = await tx
    .select({ id: invitation.id, code: invitation.code, address: invitation.address })
    .from(invitation)
    .where(
      and(
        eq(invitation.team, teamId),
        into ? eq(invitation.collection, into) : isNull(invitation.collection),
        isNotNull(invitation.address),
        holds(at),
      ),
    )
    .for("update");
  return new Map(rows.map((row) => [row.address!.toLowerCase(), row]));
}

/** An invitation lets nobody in any more. */
export async function endInvitation(tx: Tx, id: string, revokedAt: Date): Promise<void> {
  await tx.update(invitation).set({ revokedAt }).where(eq(invitation.id, id));
}
