import { and, asc, eq, inArray, isNull, sql } from "drizzle-orm";
import { type GuestRole, ROLES } from "@/core/policy/abilities";
import type { Tx } from "../database";
import {
  collection,
  guest,
  membership,
  person,
  placement,
  resource,
  section,
  team,
  textPicture,
} from "../schema";
import { code } from "../sql/code";
import { changeRows, queryRows } from "../sql/query-rows";

/** The collections somebody sees as a guest, and as what in each. */
export type Sight = ReadonlyMap<string, GuestRole>;

/** A path ends somewhere, and a guest sees no more collections than this, whatever the rows say. */
const DEEPEST = 20;
const MOST = 2_000;

/**
 * What somebody sees as a guest: the collections they were let into, and those inside them, each with the strongest role
 * on the way to it. What moves out of one is not seen any more, what moves in is.
 * @param teamId only of this team; left out: of all
 */
export async function sightOf(tx: Tx, who: string, teamId?: string): Promise<Sight> {
  const rows = await queryRows<{ id: string; role: GuestRole }>(
    tx,
    sql`WITH RECURSIVE sight (id, role, step) AS (
      SELECT c.id, g.role, 0 FROM ${guest} g JOIN ${collection} c ON c.id = g.collection
        WHERE g.person = ${who} AND c.deleted_at IS NULL ${teamId ? sql`AND c.team = ${teamId}` : sql``}
      UNION ALL
      SELECT c.id, sight.role, step + 1 FROM sight JOIN ${collection} c ON c.parent = sight.id
        WHERE c.deleted_at IS NULL AND step < ${DEEPEST}
    ) SELECT id, role FROM sight LIMIT ${MOST}`,
  );
  const sight = new Map<string, GuestRole>();
  for (const { id, role } of rows) {
    const there = sight.get(id);
    if (!there || ROLES.indexOf(role) > ROLES.indexOf(there)) sight.set(id, role);
  }
  return sight;
}

/** In which collections each of these items, sections or resources stands, those in the bin left out. */
export async function homesIn(
  tx: Tx,
  what: "placement" | "section" | "resource",
  ids: readonly string[],
): Promise<{ id: string; collection: string }[]> {
  if (!ids.length) return [];
  if (what === "section")
    return tx
      .select({ id: section.id, collection: section.collection })
      .from(section)
      .where(and(inArray(section.id, [...ids]), isNull(section.deletedAt)));
  const of = what === "placement" ? placement.id : placement.resource;
  return tx
    .select({ id: of, collection: placement.collection })
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .where(and(inArray(of, [...ids]), isNull(placement.deletedAt), isNull(resource.deletedAt)));
}

/** Whether something that stands in one of these collections, or one of their covers, shows this picture. */
export async function isPictureIn(tx: Tx, hash: string, collections: readonly string[]): Promise<boolean> {
  if (!collections.length) return false;
  const here = and(inArray(placement.collection, [...collections]), isNull(placement.deletedAt));
  const found = await Promise.all([
    tx
      .select({ one: sql`1` })
      .from(placement)
      .innerJoin(resource, eq(resource.id, placement.resource))
      .where(and(here, eq(resource.pictureHash, code(hash))))
      .limit(1),
    tx
      .select({ one: sql`1` })
      .from(collection)
      .where(and(inArray(collection.id, [...collections]), eq(collection.coverHash, code(hash))))
      .limit(1),
    tx
      .select({ one: sql`1` })
      .from(textPicture)
      .innerJoin(placement, eq(placement.resource, textPicture.resource))
      .where(and(here, eq(textPicture.hash, code(hash))))
      .limit(1),
  ]);
  return found.some((rows) => rows.length > 0);
}

/** The collections somebody was let into, with their teams, by title; those in the bin are left out. */
export async function letInto(tx: Tx, who: string) {
  return tx
    .select({
      id: collection.id,
      title: collection.title,
      team: collection.team,
      teamName: team.name,
      citationStyle: team.citationStyle,
      role: guest.role,
    })
    .from(guest)
    .innerJoin(collection, eq(collection.id, guest.collection))
    .innerJoin(team, eq(team.id, collection.team))
    .where(and(eq(guest.person, who), isNull(collection.deletedAt)))
    .orderBy(asc(collection.title), asc(collection.id));
}

/** Who was let into a collection itself, by name. */
export async function guestsOf(tx: Tx, id: string) {
  return tx
    .select({
      id: person.id,
      name: person.name,
      email: person.email,
      image: person.image,
      role: guest.role,
      since: guest.createdAt,
    })
    .from(guest)
    .innerJoin(person, eq(person.id, guest.person))
    .where(eq(guest.collection, id))
    .orderBy(asc(person.name), asc(person.id));
}

/** As what somebody was let into a collection itself, locked; null when they were not. */
export async function lockGuest(tx: Tx, id: string, who: string): Promise<GuestRole | null> {
  const rows = await tx
    .select({ role: guest.role })
    .from(guest)
    .where(and(eq(guest.person, who), eq(guest.collection, id)))
    .for("update");
  return rows[0]?.role ?? null;
}

/** Lets somebody into a collection, or lets a guest be something else. */
export async function putGuest(tx: Tx, row: typeof guest.$inferInsert): Promise<void> {
  await tx
    .insert(guest)
    .values(row)
    .onDuplicateKeyUpdate({ set: { role: row.role } });
}

/** Somebody is no guest of a collection any more. */
export async function dropGuest(tx: Tx, id: string, who: string): Promise<void> {
  await tx.delete(guest).where(and(eq(guest.person, who), eq(guest.collection, id)));
}

/** Somebody is no guest any more of anything of a team. */
export async function dropGuestOfTeam(tx: Tx, teamId: string, who: string): Promise<void> {
  await changeRows(
    tx,
    sql`DELETE g FROM ${guest} g JOIN ${collection} c ON c.id = g.collection
      WHERE g.person = ${who} AND c.team = ${teamId}`,
  );
}

/** How many see a collection as guests: who was let into it, and into what it lies in. */
export async function countGuests(tx: Tx, id: string): Promise<number> {
  const rows = await queryRows<{ count: number }>(
    tx,
    sql`WITH RECURSIVE way (id, parent, step) AS (
      SELECT id, parent, 0 FROM ${collection} WHERE id = ${id}
      UNION ALL
      SELECT up.id, up.parent, step + 1 FROM way JOIN ${collection} up ON up.id = way.parent WHERE step < ${DEEPEST}
    ) SELECT COUNT(DISTINCT g.person) AS count FROM way JOIN ${guest} g ON g.collection = way.id`,
  );
  return Number(rows[0]!.count);
}

/** More people than this nobody is offered to choose from. */
const MOST_PEOPLE = 5_000;

/** Everybody who sees a collection: who is in its team, and who was let into it or what it lies in; by name. */
export async function peopleSeeing(tx: Tx, id: string) {
  return queryRows<{ id: string; name: string; image: string | null }>(
    tx,
    sql`WITH RECURSIVE way (id, parent, team, step) AS (
      SELECT id, parent, team, 0 FROM ${collection} WHERE id = ${id}
      UNION ALL
      SELECT up.id, up.parent, up.team, step + 1 FROM way JOIN ${collection} up ON up.id = way.parent
        WHERE step < ${DEEPEST}
    ) SELECT p.id, p.name, p.image FROM ${person} p WHERE p.id IN (
        SELECT m.person FROM way JOIN ${membership} m ON m.team = way.team WHERE way.step = 0
        UNION
        SELECT g.person FROM way JOIN ${guest} g ON g.collection = way.id
      ) ORDER BY p.name, p.id LIMIT ${MOST_PEOPLE}`,
  );
}
