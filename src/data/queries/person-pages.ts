import { and, eq, gt, inArray, isNotNull, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, listing, membership, person, personPage, placement } from "../schema";
import { listed } from "../sql/by-keys";
import { queryRows, utc } from "../sql/query-rows";
import type { NewlyPublic } from "./follows";
import { isPublic } from "./sharing";

export type PersonPageRow = typeof personPage.$inferSelect;

/** The public page of a person, with their name and picture; null where they never wished one. */
export async function pageOfPerson(tx: Tx, id: string) {
  const rows = await tx
    .select({ name: person.name, image: person.image, page: personPage })
    .from(personPage)
    .innerJoin(person, eq(person.id, personPage.person))
    .where(eq(personPage.person, id));
  return rows[0] ?? null;
}

/** Says what becomes of a person's page; what is left out stays as it is. */
export async function setPageOfPerson(
  tx: Tx,
  id: string,
  fields: Pick<PersonPageRow, "leftOut"> & Partial<Omit<PersonPageRow, "person">>,
): Promise<void> {
  await tx
    .insert(personPage)
    .values({ person: id, ...fields })
    .onDuplicateKeyUpdate({ set: fields });
}

/** A path down the tree ends somewhere, whatever the rows say. */
const DEEPEST = 20;
/** So many collections of one person are listed. */
export const OF_PERSON = 200;

/**
 * The public collections in which these people have placed something, in them or in what stands inside, each with the
 * moment it was made public; of the teams they are in now, the newest first.
 * @param since only those that were made public after it
 * @param team only those of this one
 */
export async function collectionsOfPeople(
  tx: Tx,
  people: readonly string[],
  at: Date,
  { since, team, most }: { since?: Date | null; team?: string; most: number },
): Promise<NewlyPublic[]> {
  if (!people.length) return [];
  const rows = await queryRows<{ of: string; id: string; since: string }>(
    tx,
    sql`WITH RECURSIVE down (top, person, since, id, step) AS (
      SELECT ${collection.id}, ${membership.person}, ${listing.since}, ${collection.id}, 0
        FROM ${membership} JOIN ${collection} ON ${collection.team} = ${membership.team}
        JOIN ${listing} ON ${listing.collection} = ${collection.id}
        WHERE ${membership.person} IN (${listed(people)}) AND ${and(isPublic(at), isNotNull(listing.content), since ? gt(listing.since, since) : undefined, team ? eq(collection.team, team) : undefined)}
      UNION ALL
      SELECT down.top, down.person, down.since, c.id, down.step + 1
        FROM down JOIN ${collection} c ON c.parent = down.id
        WHERE c.deleted_at IS NULL AND c.left_out = 0 AND down.step < ${DEEPEST}
    ) SELECT DISTINCT down.person AS \`of\`, down.top AS id, down.since AS since FROM down
      WHERE EXISTS (SELECT 1 FROM ${placement} p
        WHERE p.collection = down.id AND p.added_by = down.person AND p.deleted_at IS NULL AND p.for_readers = 1)
      ORDER BY down.since DESC, down.top DESC LIMIT ${most}`,
  );
  return rows.map((row) => ({ ...row, since: utc(row.since) }));
}

/** Those of these people who have a public page, with what they leave out of it. */
export async function openPages(tx: Tx, people: readonly string[]): Promise<Map<string, PersonPageRow>> {
  if (!people.length) return new Map();
  const rows = await tx
    .select()
    .from(personPage)
    .where(and(inArray(personPage.person, [...people]), eq(personPage.open, true)));
  return new Map(rows.map((row) => [row.person, row]));
}

/** The people of a team who have a public page, by their names. */
export async function pagesIn(tx: Tx, team: string): Promise<{ id: string; name: string }[]> {
  return tx
    .select({ id: person.id, name: person.name })
    .from(membership)
    .innerJoin(personPage, and(eq(personPage.person, membership.person), eq(personPage.open, true)))
    .innerJoin(person, eq(person.id, membership.person))
    .where(eq(membership.team, team))
    .orderBy(person.name, person.id);
}
