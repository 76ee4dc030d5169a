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
  team,
  twinMerge,
} from "../schema";

/** To which team a thing belongs, and what a person is in it. */
export type Belonging = { team: string; role: Role | null; deleted: boolean };

const never = sql<Date | null>`null`;

/** Finds the team of the thing and the person's role there, in one look by primary keys. */
export async function findBelonging(
  tx: Tx,
  target:
    | "team"
    | "collection"
    | "section"
    | "placement"
    | "resource"
    | "job"
    | "invitation"
    | "intake"
    | "rule"
    | "hit"
    | "message"
    | "merge",
  id: string,
  person: string,
): Promise<Belonging | null> {
  const rows = await select(tx, target, id, person);
  const row = rows[0];
  return row?.team ? { team: row.team, role: row.role, deleted: row.deletedAt !== null } : null;
}

function select(
  tx: Tx,
  target: string,
  id: string,
  person: string,
): Promise<{ team: string | null; role: Role | null; deletedAt: unknown }[]> {
  const member = (column: AnyMySqlColumn) => and(eq(membership.team, column), eq(membership.person, person));
  switch (target) {
    case "team":
      return tx
        .select({ team: team.id, role: membership.role, deletedAt: never })
        .from(team)
        .leftJoin(membership, member(team.id))
        .where(eq(team.id, id));
    case "section":
      return tx
        .select({
          team: collection.team,
          role: membership.role,
          deletedAt: sql<Date | null>`coalesce(${section.deletedAt}, ${collection.deletedAt})`,
        })
        .from(section)
        .innerJoin(collection, eq(collection.id, section.collection))
        .leftJoin(membership, member(collection.team))
        .where(eq(section.id, id));
    case "placement":
      return tx
        .select({
          team: placement.team,
          role: membership.role,
          deletedAt: sql<Date | null>`coalesce(${placement.deletedAt}, ${collection.deletedAt})`,
        })
        .from(placement)
        .innerJoin(collection, eq(collection.id, placement.collection))
        .leftJoin(membership, member(placement.team))
        .where(eq(placement.id, id));
    case "collection":
      return tx
        .select({ team: collection.team, role: membership.role, deletedAt: collection.deletedAt })
        .from(collection)
        .leftJoin(membership, member(collection.team))
        .where(eq(collection.id, id));
    case "resource":
      return tx
        .select({ team: resource.team, role: membership.role, deletedAt: resource.deletedAt })
        .from(resource)
        .leftJoin(membership, member(resource.team))
        .where(eq(resource.id, id));
    case "intake":
      return tx
        .select({ team: intake.team, role: membership.role, deletedAt: never })
        .from(intake)
        .leftJoin(membership, member(intake.team))
        .where(eq(intake.id, id));
    case "rule":
    case "hit":
    case "message":
    case "merge": {
      const table = { rule, hit: ruleHit, message: mailMessage, merge: twinMerge }[target];
      return tx
        .select({ team: table.team, role: membership.role, deletedAt: never })
        .from(table)
        .leftJoin(membership, member(table.team))
        .where(eq(table.id, id));
    }
    case "invitation":
      return tx
        .select({ team: invitation.team, role: membership.role, deletedAt: never })
        .from(invitation)
        .leftJoin(membership, member(invitation.team))
        .where(eq(invitation.id, id));
    default:
      return tx
        .select({ team: job.team, role: membership.role, deletedAt: never })
        .from(job)
        .leftJoin(membership, member(job.team))
        .where(eq(job.id, id));
  }
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

/** A team of the person in which some resource has this picture. */
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
  return rows[0] ?? null;
}
