import { and, count, desc, eq, lt, sql } from "drizzle-orm";
import type { Tx } from "../database";
import {
  collection,
  edition,
  newsletterDelivery,
  newsletterDraft,
  newsletterIssue,
  newsletterReader,
} from "../schema";
import { code } from "../sql/code";
import { changeRows } from "../sql/query-rows";

export type NewsletterReader = typeof newsletterReader.$inferSelect;

/** What is written for the next issue. */
export async function draftOf(tx: Tx, id: string) {
  const [row] = await tx.select().from(newsletterDraft).where(eq(newsletterDraft.collection, id));
  return {
    subject: row?.subject ?? "",
    greeting: row?.greeting ?? "",
    closing: row?.closing ?? "",
    chosen: row?.chosen ?? null,
  };
}

/** Writes some of it. */
export async function writeDraft(
  tx: Tx,
  id: string,
  fields: Partial<Omit<typeof newsletterDraft.$inferInsert, "collection" | "updatedAt">>,
  updatedAt: Date,
): Promise<void> {
  await tx
    .insert(newsletterDraft)
    .values({ collection: id, ...fields, updatedAt })
    .onDuplicateKeyUpdate({ set: { ...fields, updatedAt } });
}

/** How many have asked for a newsletter, by whether they have confirmed it. */
export async function countReaders(tx: Tx, id: string): Promise<{ confirmed: number; waiting: number }> {
  const rows = await tx
    .select({ state: newsletterReader.state, count: count() })
    .from(newsletterReader)
    .where(eq(newsletterReader.collection, id))
    .groupBy(newsletterReader.state);
  const of = (state: string) => rows.find((row) => row.state === state)?.count ?? 0;
  return { confirmed: of("confirmed"), waiting: of("waiting") };
}

/** Those who get a newsletter, by their addresses. */
export async function readersOf(tx: Tx, id: string) {
  return tx
    .select({
      address: newsletterReader.address,
      state: newsletterReader.state,
      createdAt: newsletterReader.createdAt,
    })
    .from(newsletterReader)
    .where(eq(newsletterReader.collection, id))
    .orderBy(newsletterReader.address)
    .limit(10_000);
}

/** Somebody on the list of a newsletter; null when they are not. */
export async function findReader(tx: Tx, id: string, address: string): Promise<NewsletterReader | null> {
  const rows = await tx
    .select()
    .from(newsletterReader)
    .where(and(eq(newsletterReader.collection, id), eq(newsletterReader.address, address)));
  return rows[0] ?? null;
}

/** Whom a token is of, with the newsletter; null when nobody has it. */
export async function readerByToken(tx: Tx, token: string) {
  const rows = await tx
    .select({
      reader: newsletterReader,
      title: collection.title,
      team: collection.team,
      deletedAt: collection.deletedAt,
    })
    .from(newsletterReader)
    .innerJoin(collection, eq(collection.id, newsletterReader.collection))
    .where(eq(newsletterReader.token, code(token)));
  return rows[0] ?? null;
}

/** Puts somebody on the list; nothing happens when they are on it. */
export async function addReader(tx: Tx, row: typeof newsletterReader.$inferInsert): Promise<void> {
  await tx.insert(newsletterReader).ignore().values(row);
}

/** They have said that it was them who asked. */
export async function confirmReader(tx: Tx, id: string, confirmedAt: Date): Promise<void> {
  await tx
    .update(newsletterReader)
    .set({ state: "confirmed", confirmedAt })
    .where(eq(newsletterReader.id, id));
}

/** Takes somebody off the list, with everything that is known of them. */
export async function dropReader(tx: Tx, id: string): Promise<void> {
  await tx.delete(newsletterReader).where(eq(newsletterReader.id, id));
}

/** Who asked for a newsletter and never confirmed it goes after a time. */
export async function dropUnconfirmed(tx: Tx, id: string, before: Date): Promise<void> {
  await tx
    .delete(newsletterReader)
    .where(
      and(
        eq(newsletterReader.collection, id),
        eq(newsletterReader.state, "waiting"),
        lt(newsletterReader.createdAt, before),
      ),
    );
}

/** The issues of a newsletter, the newest first, with what became of them. */
export async function issuesOf(tx: Tx, id: string) {
  const sum = (state: string) =>
    sql<number>`(SELECT COUNT(*) FROM ${newsletterDelivery} d WHERE d.issue = ${newsletterIssue.id} AND d.state = ${state})`;
  return tx
    .select({
      id: newsletterIssue.id,
      subject: newsletterIssue.subject,
      number: edition.number,
      withdrawnAt: edition.withdrawnAt,
      createdAt: newsletterIssue.createdAt,
      readers: newsletterIssue.readers,
      waiting: sum("waiting"),
      refused: sum("refused"),
    })
    .from(newsletterIssue)
    .innerJoin(edition, eq(edition.id, newsletterIssue.edition))
    .where(eq(newsletterIssue.collection, id))
    .orderBy(desc(newsletterIssue.createdAt))
    .limit(100);
}

/** When the last issue of a newsletter went out; null when there was none. */
export async function lastIssueAt(tx: Tx, id: string): Promise<Date | null> {
  const rows = await tx
    .select({ at: newsletterIssue.createdAt })
    .from(newsletterIssue)
    .where(eq(newsletterIssue.collection, id))
    .orderBy(desc(newsletterIssue.createdAt))
    .limit(1);
  return rows[0]?.at ?? null;
}

/** An issue with what it needs to be sent; null when there is none. */
export async function findIssue(tx: Tx, id: string) {
  const rows = await tx
    .select({
      id: newsletterIssue.id,
      collection: newsletterIssue.collection,
      subject: newsletterIssue.subject,
      number: edition.number,
      digest: edition.digest,
      keptAt: edition.createdAt,
      withdrawnAt: edition.withdrawnAt,
    })
    .from(newsletterIssue)
    .innerJoin(edition, eq(edition.id, newsletterIssue.edition))
    .where(eq(newsletterIssue.id, id));
  return rows[0] ?? null;
}

/** Writes down an issue, and that everybody who has confirmed gets a copy. @returns how many */
export async function addIssue(
  tx: Tx,
  row: Omit<typeof newsletterIssue.$inferInsert, "readers">,
): Promise<number> {
  await tx.insert(newsletterIssue).values({ ...row, readers: 0 });
  const readers = await changeRows(
    tx,
    sql`INSERT INTO newsletter_delivery (issue, reader, state, at)
      SELECT ${row.id}, id, 'waiting', ${row.createdAt} FROM newsletter_reader
      WHERE collection = ${row.collection} AND state = 'confirmed'`,
  );
  await tx.update(newsletterIssue).set({ readers }).where(eq(newsletterIssue.id, row.id));
  return readers;
}

/** Copies of an issue that have not gone out yet. */
export async function waitingCopies(tx: Tx, issue: string, most: number) {
  return tx
    .select({ reader: newsletterReader.id, address: newsletterReader.address, token: newsletterReader.token })
    .from(newsletterDelivery)
    .innerJoin(newsletterReader, eq(newsletterReader.id, newsletterDelivery.reader))
    .where(and(eq(newsletterDelivery.issue, issue), eq(newsletterDelivery.state, "waiting")))
    .orderBy(newsletterDelivery.reader)
    .limit(most);
}

/**
 * Writes down what became of a copy.
 * @param problem what the mail server said when it would not have it; null: it took it
 * @returns false when somebody else had written it down, or the reader has left
 */
export async function noteCopy(
  tx: Tx,
  issue: string,
  reader: string,
  problem: string | null,
  at: Date,
): Promise<boolean> {
  const changed = await changeRows(
    tx,
    sql`UPDATE newsletter_delivery SET state = ${problem === null ? "sent" : "refused"}, problem = ${problem}, at = ${at}
      WHERE issue = ${issue} AND reader = ${reader} AND state = 'waiting'`,
  );
  return changed > 0;
}
