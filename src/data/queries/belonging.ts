import { teamWithPicture } from "./people";
import { queryRows } from "../sql/query-rows";
import { and, eq, type SQL, sql, type Table } from "drizzle-orm";
import type { Role } from "@/core/policy/abilities";
import type { Tx } from "../database";
import {
  collection,
  criteria,
  handout,
  intake,
  invitation,
  job,
  learner,
  learnerGroup,
  mailMessage,
  membership,
  outcome,
  placement,
  resource,
  round,
  rule,
  ruleHit,
  searchRecord,
  section,
  suggestion,
  tag,
  thanks,
  team,
  textPicture,
} from "../schema";
import { code } from "../sql/code";
import { fixed } from "../sql/fixed";

/** To which team a thing belongs, and what a person is in it. */
export type Belonging = { team: string; role: Role | null; deleted: boolean };

/** Where a thing is looked up: the tables, its team and whether it was deleted; the thing itself is `t`. */
type Where = { from: SQL; team: SQL; deleted: SQL };
const plain = (table: Table): Where => ({ from: sql`${table} t`, team: sql`t.team`, deleted: sql`NULL` });
const deletable = (table: Table): Where => ({ ...plain(table), deleted: sql`t.deleted_at` });
/** What stands in a collection is deleted with it. */
const standing = (table: Table): Where => ({
  from: sql`${table} t JOIN ${collection} c ON c.id = t.collection`,
  team: sql`c.team`,
  deleted: sql`COALESCE(t.deleted_at, c.deleted_at)`,
});

const TARGETS = {
  team: { ...plain(team), team: sql`t.id` },
  collection: deletable(collection),
  resource: deletable(resource),
  section: standing(section),
  placement: standing(placement),
  invitation: plain(invitation),
  job: plain(job),
  import: plain(intake),
  rule: plain(rule),
  hit: plain(ruleHit),
  message: plain(mailMessage),
  tag: plain(tag),
  group: deletable(learnerGroup),
  /** Somebody goes with the group. */
  learner: {
    from: sql`${learner} t JOIN ${learnerGroup} c ON c.id = t.group_id`,
    team: sql`t.team`,
    deleted: sql`COALESCE(t.deleted_at, c.deleted_at)`,
  },
  criteria: deletable(criteria),
  outcome: deletable(outcome),
  round: deletable(round),
  searchRecord: deletable(searchRecord),
  suggestion: standing(suggestion),
  thanks: plain(thanks),
  /** What was given to a group goes with it. */
  handout: {
    from: sql`${handout} t JOIN ${learnerGroup} c ON c.id = t.group_id`,
    team: sql`t.team`,
    deleted: sql`COALESCE(t.deleted_at, c.deleted_at)`,
  },
} as const satisfies Record<string, Where>;

/** What a person's right to can be asked for. */
export type Target = keyof typeof TARGETS;

/** The statements up to the person; they are asked with everything anybody does. */
const BEFORE = Object.fromEntries(
  Object.entries(TARGETS).map(([target, { from, team, deleted }]) => [
    target,
    fixed(sql`SELECT ${team} AS team, m.role, ${deleted} AS deleted
      FROM ${from} LEFT JOIN ${membership} m ON m.team = ${team} AND m.person = `),
  ]),
) as Record<Target, SQL>;

/** Finds the team of the thing and the person's role there, in one look by primary keys. */
export async function findBelonging(
  tx: Tx,
  target: Target,
  id: string,
  person: string,
): Promise<Belonging | null> {
  const rows = await queryRows<{ team: string | null; role: Role | null; deleted: string | null }>(
    tx,
    sql`${BEFORE[target]}${person} WHERE t.id = ${id}`,
  );
  const row = rows[0];
  return row?.team ? { team: row.team, role: row.role, deleted: row.deleted !== null } : null;
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
    .where(eq(resource.pictureHash, code(hash)))
    .limit(1);
  if (rows[0]) return rows[0];
  const covers = await tx
    .select({ team: membership.team, role: membership.role })
    .from(collection)
    .innerJoin(membership, and(eq(membership.team, collection.team), eq(membership.person, person)))
    .where(eq(collection.coverHash, code(hash)))
    .limit(1);
  if (covers[0]) return covers[0];
  const inTexts = await tx
    .select({ team: membership.team, role: membership.role })
    .from(textPicture)
    .innerJoin(resource, eq(resource.id, textPicture.resource))
    .innerJoin(membership, and(eq(membership.team, resource.team), eq(membership.person, person)))
    .where(eq(textPicture.hash, code(hash)))
    .limit(1);
  if (inTexts[0]) return inTexts[0];
  const onPages = await tx
    .select({ team: membership.team, role: membership.role })
    .from(membership)
    .innerJoin(team, and(eq(team.id, membership.team), eq(team.pagePicture, code(hash))))
    .where(eq(membership.person, person))
    .limit(1);
  return onPages[0] ?? teamWithPicture(tx, hash, person);
}
