import { and, desc, eq, isNull, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, mailAddress, mailMessage, mailSender, person } from "../schema";
import { code } from "../sql/code";

export type MailAddressRow = typeof mailAddress.$inferSelect;

/** The live address with this local part. */
export async function addressByLocal(tx: Tx, local: string): Promise<MailAddressRow | null> {
  const rows = await tx
    .select()
    .from(mailAddress)
    .where(and(eq(mailAddress.local, code(local)), isNull(mailAddress.revokedAt)));
  return rows[0] ?? null;
}

/** The live addresses of a person in a team, with the collections they lead to. */
export async function addressesOf(tx: Tx, personId: string, team: string) {
  return tx
    .select({
      id: mailAddress.id,
      local: mailAddress.local,
      collection: mailAddress.collection,
      title: collection.title,
    })
    .from(mailAddress)
    .leftJoin(collection, eq(collection.id, mailAddress.collection))
    .where(and(eq(mailAddress.person, personId), eq(mailAddress.team, team), isNull(mailAddress.revokedAt)));
}

/** Addresses whose mail a person takes: those on the list, and the person's own. */
export async function sendersOf(tx: Tx, personId: string) {
  const listed = await tx
    .select({ id: mailSender.id, address: mailSender.address })
    .from(mailSender)
    .where(eq(mailSender.person, personId))
    .orderBy(mailSender.address);
  const [own] = await tx.select({ email: person.email }).from(person).where(eq(person.id, personId));
  return { listed, own: own?.email.toLowerCase() ?? "" };
}

/** Messages to somebody's address that wait for a decision, newest first. */
export async function heldOf(tx: Tx, personId: string, team: string) {
  return tx
    .select({
      id: mailMessage.id,
      sender: mailMessage.sender,
      subject: mailMessage.subject,
      createdAt: mailMessage.createdAt,
    })
    .from(mailMessage)
    .where(and(eq(mailMessage.person, personId), eq(mailMessage.team, team), eq(mailMessage.state, "held")))
    .orderBy(desc(mailMessage.id))
    .limit(100);
}

/** How many messages wait for a person's decision. */
export async function countHeld(tx: Tx, personId: string, team: string): Promise<number> {
  const [row] = await tx
    .select({ count: sql<number>`count(*)` })
    .from(mailMessage)
    .where(and(eq(mailMessage.person, personId), eq(mailMessage.team, team), eq(mailMessage.state, "held")));
  return Number(row?.count ?? 0);
}

/** A message as it came; null when there is none. */
export async function findMessage(tx: Tx, id: string) {
  return (await tx.select().from(mailMessage).where(eq(mailMessage.id, id)))[0] ?? null;
}

/** The same, locked until the transaction ends. */
export async function lockMessage(tx: Tx, id: string) {
  return (await tx.select().from(mailMessage).where(eq(mailMessage.id, id)).for("update"))[0] ?? null;
}

/** The message a resource was made of. */
export async function messageOf(tx: Tx, resource: string) {
  const rows = await tx.select().from(mailMessage).where(eq(mailMessage.resource, resource)).limit(1);
  return rows[0] ?? null;
}

/** Writes down a message that came, before it is read. */
export async function addMessage(tx: Tx, row: typeof mailMessage.$inferInsert): Promise<void> {
  await tx.insert(mailMessage).values(row);
}

/** Says which resource was made of a message. */
export async function setMessageResource(tx: Tx, id: string, resource: string): Promise<void> {
  await tx.update(mailMessage).set({ resource }).where(eq(mailMessage.id, id));
}

/** Decides on a message that is held; one that is decided on stays as it is. */
export async function decideHeld(tx: Tx, id: string, state: "taken" | "refused"): Promise<void> {
  await tx
    .update(mailMessage)
    .set({ state })
    .where(and(eq(mailMessage.id, id), eq(mailMessage.state, "held")));
}

/** Makes an address, and ends the one that led to the same place. */
export async function replaceAddress(tx: Tx, row: typeof mailAddress.$inferInsert): Promise<void> {
  await tx
    .update(mailAddress)
    .set({ revokedAt: row.createdAt })
    .where(
      and(
        eq(mailAddress.person, row.person),
        eq(mailAddress.team, row.team),
        row.collection ? eq(mailAddress.collection, row.collection) : isNull(mailAddress.collection),
        isNull(mailAddress.revokedAt),
      ),
    );
  await tx.insert(mailAddress).values(row);
}

/** The addresses of a person in a team take no mail any more. */
export async function endAddresses(tx: Tx, person: string, team: string, revokedAt: Date): Promise<void> {
  await tx
    .update(mailAddress)
    .set({ revokedAt })
    .where(and(eq(mailAddress.person, person), eq(mailAddress.team, team), isNull(mailAddress.revokedAt)));
}

/** Puts a sender on a person's list; once. */
export async function allowSender(tx: Tx, row: typeof mailSender.$inferInsert): Promise<void> {
  await tx
    .insert(mailSender)
    .values(row)
    .onDuplicateKeyUpdate({ set: { address: row.address } });
}

/** From now on messages of this sender wait for a decision again. */
export async function disallowSender(tx: Tx, personId: string, address: string): Promise<void> {
  await tx.delete(mailSender).where(and(eq(mailSender.person, personId), eq(mailSender.address, address)));
}
