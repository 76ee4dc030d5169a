import { and, gt, inArray, isNull } from "drizzle-orm";
import type { Tx } from "../database";
import { accessToken, membership, session } from "../schema";

/** By what somebody is let in: the session of a browser, or a token of their own. */
export type Credential = { kind: "session" | "token"; id: string };

/**
 * What of all this still holds, asked for everybody at once.
 * @param credentials by which people came in
 * @param teams they listen to
 * @returns the ids that hold, and for each team its members
 */
export async function stillHolding(
  tx: Tx,
  credentials: readonly Credential[],
  teams: readonly string[],
  at: Date,
): Promise<{ ids: Set<string>; members: Set<string> }> {
  const of = (kind: Credential["kind"]) => [
    ...new Set(credentials.flatMap((one) => (one.kind === kind ? one.id : []))),
  ];
  const [sessions, tokens] = [of("session"), of("token")];
  const ids = new Set<string>();
  if (sessions.length)
    for (const { id } of await tx
      .select({ id: session.id })
      .from(session)
      .where(and(inArray(session.id, sessions), gt(session.expiresAt, at))))
      ids.add(id);
  if (tokens.length)
    for (const { id } of await tx
      .select({ id: accessToken.id })
      .from(accessToken)
      .where(and(inArray(accessToken.id, tokens), isNull(accessToken.revokedAt))))
      ids.add(id);
  const members = new Set<string>();
  if (teams.length)
    for (const { team, person } of await tx
      .select({ team: membership.team, person: membership.person })
      .from(membership)
      .where(inArray(membership.team, [...teams])))
      members.add(`${team}~${person}`);
  return { ids, members };
}
