import { and, eq, inArray } from "drizzle-orm";
import type { Tx } from "../database";
import type { Role } from "@/core/policy/abilities";
import { membership, person } from "../schema";
import { alias } from "drizzle-orm/mysql-core";

/** The mail address of a person is theirs. */
export async function confirmAddress(tx: Tx, id: string): Promise<void> {
  await tx.update(person).set({ emailVerified: true }).where(eq(person.id, id));
}

/** What others see of a person: name and picture. */
export async function changePerson(
  tx: Tx,
  id: string,
  fields: { name?: string; image?: string | null; updatedAt: Date },
): Promise<void> {
  await tx.update(person).set(fields).where(eq(person.id, id));
}

/** Where letters to somebody go; null when there is no such person, or nobody has confirmed the address. */
export async function mailAddressOf(tx: Tx, id: string): Promise<string | null> {
  const rows = await tx
    .select({ email: person.email })
    .from(person)
    .where(and(eq(person.id, id), eq(person.emailVerified, true)));
  return rows[0]?.email ?? null;
}

/** A team somebody shares with a person who has this picture; null without any. */
export async function teamWithPicture(
  tx: Tx,
  hash: string,
  who: string,
): Promise<{ team: string; role: Role } | null> {
  const mine = alias(membership, "mine");
  const rows = await tx
    .select({ team: mine.team, role: mine.role })
    .from(person)
    .innerJoin(membership, eq(membership.person, person.id))
    .innerJoin(mine, and(eq(mine.team, membership.team), eq(mine.person, who)))
    .where(eq(person.image, hash))
    .limit(1);
  return rows[0] ?? null;
}

/** Who has an account with this address, in small letters. */
export async function personByAddress(tx: Tx, address: string): Promise<{ id: string; name: string } | null> {
  const rows = await tx
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(eq(person.email, address));
  return rows[0] ?? null;
}

/** Somebody's row, held until the end of the transaction. */
export const lockPerson = async (tx: Tx, id: string) =>
  (await tx.select().from(person).where(eq(person.id, id)).for("update"))[0] ?? null;

/** Gives an account another address, of which it is known that it is theirs. @throws when another account has it */
export async function setAddress(tx: Tx, id: string, email: string): Promise<void> {
  await tx.update(person).set({ email, emailVerified: true }).where(eq(person.id, id));
}

/** What people are called; who has no account any more is not among them. */
export async function namesOfPeople(tx: Tx, ids: readonly string[]): Promise<Map<string, string>> {
  if (!ids.length) return new Map();
  const rows = await tx
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(inArray(person.id, [...ids]));
  return new Map(rows.map((row) => [row.id, row.name]));
}
