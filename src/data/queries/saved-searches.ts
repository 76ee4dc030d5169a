import { and, desc, eq, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { savedSearch } from "../schema";

type Own = { person: string; team: string };

const own = ({ person, team }: Own) => and(eq(savedSearch.person, person), eq(savedSearch.team, team));

/** The searches a person has saved in a team, newest first. */
export async function savedSearchesOf(tx: Tx, whose: Own, most: number) {
  return tx.select().from(savedSearch).where(own(whose)).orderBy(desc(savedSearch.id)).limit(most);
}

/** Saves a search; one whose id is there already stays as it is. */
export async function saveSearch(tx: Tx, row: typeof savedSearch.$inferInsert): Promise<void> {
  await tx
    .insert(savedSearch)
    .values(row)
    .onDuplicateKeyUpdate({ set: { lookedAt: sql`looked_at` } });
}

/** Says when somebody last looked at a saved search, so that what is new since can be counted. */
export async function setLookedAt(tx: Tx, whose: Own, id: string, lookedAt: Date): Promise<void> {
  await tx
    .update(savedSearch)
    .set({ lookedAt })
    .where(and(eq(savedSearch.id, id), own(whose)));
}

/** Forgets a saved search of one's own. */
export async function dropSavedSearch(tx: Tx, whose: Own, id: string): Promise<void> {
  await tx.delete(savedSearch).where(and(eq(savedSearch.id, id), own(whose)));
}
