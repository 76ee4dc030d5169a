import { and, eq, isNull, or, sql } from "drizzle-orm";
import type { AnyMySqlColumn } from "drizzle-orm/mysql-core";
import type { Role } from "@/core/policy/abilities";
import type { Tx } from "../database";
import {
  collection,
  intake,
  invitation,
  job,
  mailMessage,
  membership,
  placement,
  resource,
  rule,
  ruleHit,
  section,
  shareLink,
  tag,
  team,
  twinMerge,
} from "../schema";

/** To which team a thing belongs, and what a person is in it. */
export type Belonging = { team: string; role: Role | null; deleted: boolean };

const never = sql<Date | null>`null`;

/** Finds the team of the thing and the person's role there, in one look by primary keys. */
export async function findBelonging(
  tx: Tx,
  target: Target,
  id: string,
  person: string,
): Promise<Belonging | null> {
  const rows = await select(tx, target, id, person);
  const row = rows[0];
  return row?.team ? { team: row.team, role: row.role, deleted: row.deletedAt !== null } : null;
}

/** Things that name their team themselves, with when they were deleted where they can be. */
const PLAIN = {
  collection: { table: collection, deletedAt: collection.deletedAt },
  resource: { table: resource, deletedAt: resource.deletedAt },
  invitation: { table: invitation, deletedAt: never },
  job: { table: job, deletedAt: never },
  intake: { table: intake, deletedAt: never },
  rule: { table: rule, deletedAt: never },
  hit: { table: ruleHit, deletedAt: never },
  message: { table: mailMessage, deletedAt: never },
  tag: { table: tag, deletedAt: never },
  merge: { table: twinMerge, deletedAt: never },
} as const;

/** What a person's right to can be asked for. */
export type Target = keyof typeof PLAIN | "team" | "section" | "placement";

function select(
  tx: Tx,
  target: Target,
  id: string,
  person: string,
): Promise<{ team: string | null; role: Role | null; deletedAt: unknown }[]> {
  const member = (column: AnyMySqlColumn) => and(eq(membership.team, column), eq(membership.person, person));
  if (target === "team")
    return tx
      .select({ team: team.id, role: membership.role, deletedAt: never })
      .from(team)
      .leftJoin(membership, member(team.id))
      .where(eq(team.id, id));
  // What stands in a collection is deleted with it.
  if (target === "section" || target === "placement") {
    const table = target === "section" ? section : placement;
    return tx
      .select({
        team: collection.team,
        role: membership.role,
        deletedAt: sql<Date | null>`coalesce(${table.deletedAt}, ${collection.deletedAt})`,
      })
      .from(table)
      .innerJoin(collection, eq(collection.id, table.collection))
      .leftJoin(membership, member(collection.team))
      .where(eq(table.id, id));
  }
  const { table, deletedAt } = PLAIN[target];
  return tx
    .select({ team: table.team, role: membership.role, deletedAt })
    .from(table)
    .leftJoin(membership, member(table.team))
    .where(eq(table.id, id));
}

/** The collection's team, if the collection is open to whoever holds this code; public ones need none. */
export async function findShared(tx: Tx, id: string, code: string | null): Promise<{ team: string } | null> {
  const rows = await tx
    .select({ team: collection.team })
    .from(collection)
    .leftJoin(
      shareLink,
      and(
        eq(shareLink.collection, collection.id),
        isNull(shareLink.revokedAt),
        eq(shareLink.code, code ?? ""),
      ),
    )
    .where(
      and(
        eq(collection.id, id),
        isNull(collection.deletedAt),
        or(
          eq(collection.audience, "public"),
          and(eq(collection.audience, "link"), eq(shareLink.code, code ?? "")),
        ),
      ),
    );
  return rows[0] ?? null;
}

/** A team of the person in which some resource or the cover of a collection has this picture. */
export async function findTeamOfPicture(
  tx: Tx,
  hash: string,
  person: string,
): Promise<{ team: string; role: Role } | null> {
  const rows = await tx
    .select({ team: membership.team, role: membership.role })
    .from(resource)
    .innerJoin(membership, and(eq(membership.team, resource.team), eq(membership.person, person)))
    .where(eq(resource.pictureHash, hash))
    .limit(1);
  if (rows[0]) return rows[0];
  const covers = await tx
    .select({ team: membership.team, role: membership.role })
    .from(collection)
    .innerJoin(membership, and(eq(membership.team, collection.team), eq(membership.person, person)))
    .where(eq(collection.coverHash, hash))
    .limit(1);
  return covers[0] ?? null;
}
