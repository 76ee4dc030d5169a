import { and, eq, inArray, or, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/mysql-core";
import type { Tx } from "../database";
import { collection, membership, person, personPage, team } from "../schema";
import { isPublic } from "./sharing";

/** Whose name it is. */
export type Named = { id: string; name: string };

/** The names of teams that have something public, or a public page. */
export const namesOfPublicTeams = (tx: Tx, at: Date): Promise<Named[]> =>
  tx
    .select({ id: team.id, name: team.name })
    .from(team)
    .where(
      or(
        eq(team.hasPage, true),
        inArray(team.id, tx.select({ id: collection.team }).from(collection).where(isPublic(at))),
      ),
    );

/** The names of people who have a public page. */
export const namesOnPages = (tx: Tx): Promise<Named[]> =>
  tx
    .select({ id: person.id, name: person.name })
    .from(personPage)
    .innerJoin(person, eq(person.id, personPage.person))
    .where(eq(personPage.open, true));

/** The names of those somebody shares a team with. */
export const namesBeside = (tx: Tx, id: string): Promise<Named[]> => {
  const mine = alias(membership, "mine");
  return tx
    .selectDistinct({ id: person.id, name: person.name })
    .from(mine)
    .innerJoin(membership, and(eq(membership.team, mine.team), sql`${membership.person} <> ${id}`))
    .innerJoin(person, eq(person.id, membership.person))
    .where(eq(mine.person, id));
};
