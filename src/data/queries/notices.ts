import { and, asc, eq, inArray, isNull, sql } from "drizzle-orm";
import { ANY_HOUR, type MailHours } from "@/core/talk/mail-hours";
import { asWishes, type MailTime, type MailWishes, NOTICE_KINDS, type NoticeKind } from "@/core/talk/notices";
import type { Tx } from "../database";
import { comment, notice, noticeWish, person } from "../schema";
import { code } from "../sql/code";
import { inParts } from "../sql/by-keys";
import { changeRows } from "../sql/query-rows";

/** Writes down what is addressed to people; of one thing that is said each hears once. */
export async function addNotices(tx: Tx, rows: readonly (typeof notice.$inferInsert)[]): Promise<void> {
  await inParts(
    rows,
    (part) =>
      tx
        .insert(notice)
        .values([...part])
        .onDuplicateKeyUpdate({ set: { id: sql`${notice.id}` } }),
    200,
  );
}

/**
 * Writes down what goes on and is addressed to people: once until they have looked, and then anew. What waits for a letter
 * goes with that letter.
 */
export async function renewNotices(tx: Tx, rows: readonly (typeof notice.$inferInsert)[]): Promise<void> {
  // What each assignment reads is not assigned before it.
  const isOld = sql`${notice.seenAt} IS NOT NULL`;
  await inParts(
    rows,
    (part) =>
      tx
        .insert(notice)
        .values([...part])
        .onDuplicateKeyUpdate({
          set: {
            letter: sql`IF(${isOld}, NULL, ${notice.letter})`,
            mailedAt: sql`IF(${isOld}, NULL, ${notice.mailedAt})`,
            createdAt: sql`IF(${isOld}, VALUES(${sql.identifier("created_at")}), ${notice.createdAt})`,
            seenAt: null,
          },
        }),
    200,
  );
}

/** Who of these has not looked yet at what goes on there. It is not locked: whoever is looking just now sees it anyway. */
export async function notLookedAt(
  tx: Tx,
  { kind, subject }: { kind: NoticeKind; subject: string },
  people: readonly string[],
): Promise<Set<string>> {
  const rows = await tx
    .select({ person: notice.person })
    .from(notice)
    .where(
      and(
        inArray(notice.person, [...people]),
        eq(notice.kind, kind),
        eq(notice.subject, subject),
        isNull(notice.seenAt),
      ),
    );
  return new Set(rows.map((row) => row.person));
}

/** Somebody has looked at what is addressed to them: at these, at what these comments say, or at what is about these. */
export async function seeNotices(
  tx: Tx,
  who: string,
  which: { notices?: readonly string[]; comments?: readonly string[]; subjects?: readonly string[] } | "all",
  at: Date,
): Promise<void> {
  const only =
    which === "all"
      ? undefined
      : which.notices
        ? inArray(notice.id, [...which.notices])
        : which.comments
          ? inArray(notice.comment, [...which.comments])
          : inArray(notice.subject, [...(which.subjects ?? [])]);
  await tx
    .update(notice)
    .set({ seenAt: at })
    .where(and(eq(notice.person, who), isNull(notice.seenAt), only));
}

/** Who takes part in a thread: who began it and who answered, but for what was taken back. */
export async function peopleInThread(tx: Tx, thread: string): Promise<string[]> {
  const rows = await tx
    .selectDistinct({ person: comment.person })
    .from(comment)
    .where(and(sql`(${comment.id} = ${thread} OR ${comment.thread} = ${thread})`, isNull(comment.deletedAt)));
  return rows.map((row) => row.person);
}

/** What people want to hear of by mail, by who they are; of who has said nothing, as it is at first. */
export async function wishesOf(tx: Tx, people: readonly string[]): Promise<Map<string, MailWishes>> {
  const rows = people.length
    ? await tx
        .select()
        .from(noticeWish)
        .where(inArray(noticeWish.person, [...people]))
    : [];
  const said = new Map(rows.map((row) => [row.person, row.wishes]));
  return new Map(people.map((id) => [id, asWishes(said.get(id))]));
}

/** At which hours letters come to each of these. */
export async function mailHoursOf(tx: Tx, people: readonly string[]): Promise<Map<string, MailHours>> {
  const { zone, quietFrom, quietUntil } = noticeWish;
  const rows = people.length
    ? await tx
        .select({ person: noticeWish.person, hours: { zone, quietFrom, quietUntil } })
        .from(noticeWish)
        .where(inArray(noticeWish.person, [...people]))
    : [];
  const said = new Map(rows.map((row) => [row.person, row.hours]));
  return new Map(people.map((id) => [id, said.get(id) ?? ANY_HOUR]));
}

/** Keeps at which hours letters come to somebody. @param token their code, if they have none yet */
export async function saveMailHours(tx: Tx, who: string, hours: MailHours, token: string): Promise<void> {
  await tx
    .insert(noticeWish)
    .values({ person: who, wishes: {}, token, ...hours })
    .onDuplicateKeyUpdate({ set: hours });
}

/** Keeps what somebody wants to hear of by mail. @param token their code, if they have none yet */
export async function saveWishes(
  tx: Tx,
  who: string,
  wishes: Partial<MailWishes>,
  token: string,
): Promise<void> {
  await tx
    .insert(noticeWish)
    .values({ person: who, wishes, token })
    .onDuplicateKeyUpdate({ set: { wishes } });
}

/** The code by which somebody ends their letters; one is kept for them when there is none. */
export async function tokenOf(tx: Tx, who: string, fresh: string): Promise<string> {
  await tx
    .insert(noticeWish)
    .values({ person: who, wishes: {}, token: fresh })
    .onDuplicateKeyUpdate({ set: { token: sql`${noticeWish.token}` } });
  return (await tx.select({ token: noticeWish.token }).from(noticeWish).where(eq(noticeWish.person, who)))[0]!
    .token;
}

/** Whose code this is; null when it is nobody's. */
export async function byLeaveToken(tx: Tx, token: string): Promise<{ person: string; email: string } | null> {
  const rows = await tx
    .select({ person: person.id, email: person.email })
    .from(noticeWish)
    .innerJoin(person, eq(person.id, noticeWish.person))
    .where(eq(noticeWish.token, code(token)));
  return rows[0] ?? null;
}

/** Puts what somebody has not looked at and stands in no letter into one. @param kinds as they want it by now */
export async function putInLetter(
  tx: Tx,
  who: string,
  kinds: readonly NoticeKind[],
  letter: string,
): Promise<void> {
  if (!kinds.length) return;
  await tx
    .update(notice)
    .set({ letter })
    .where(
      and(
        eq(notice.person, who),
        isNull(notice.letter),
        isNull(notice.seenAt),
        inArray(notice.kind, [...kinds]),
      ),
    );
}

/** The letters to somebody that have not gone, the oldest first. */
export async function lettersTo(tx: Tx, who: string): Promise<string[]> {
  const rows = await tx
    .select({ letter: notice.letter, first: sql`min(${notice.createdAt})`.as("first") })
    .from(notice)
    .where(and(eq(notice.person, who), isNull(notice.mailedAt), sql`${notice.letter} IS NOT NULL`))
    .groupBy(notice.letter)
    .orderBy(asc(sql`first`));
  return rows.map((row) => row.letter!);
}

/** A letter has gone, or need not. */
export async function noteMailed(tx: Tx, letter: string, at: Date): Promise<void> {
  await changeRows(tx, sql`UPDATE ${notice} SET mailed_at = ${at} WHERE letter = ${letter}`);
}

/** The kinds of which somebody wants to hear at that time. */
export const kindsAt = (wishes: MailWishes, time: MailTime): NoticeKind[] =>
  NOTICE_KINDS.filter((kind) => wishes[kind] === time);
