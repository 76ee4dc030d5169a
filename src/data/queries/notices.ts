import { and, asc, desc, eq, inArray, isNull, sql } from "drizzle-orm";
import { asWishes, type MailTime, type MailWishes, NOTICE_KINDS, type NoticeKind } from "@/core/talk/notices";
import type { Tx } from "../database";
import {
  collection,
  comment,
  membership,
  notice,
  noticeWish,
  person,
  placement,
  resource,
  section,
} from "../schema";
import { code } from "../sql/code";
import { inParts } from "../sql/by-keys";
import { changeRows } from "../sql/query-rows";
import { sightOf } from "./guests";

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

const home = sql<string>`COALESCE(${comment.collection}, ${section.collection}, ${placement.collection})`;
const shown = {
  ...{ id: notice.id, kind: notice.kind, createdAt: notice.createdAt, seenAt: notice.seenAt },
  ...{ comment: comment.id, words: comment.words, team: notice.team },
  by: { id: comment.person, name: person.name, image: person.image },
  collection: collection.id,
  title: collection.title,
  section: comment.section,
  placement: comment.placement,
  about: sql<string>`COALESCE(NULLIF(${placement.heading}, ''), ${resource.title}, ${section.title}, '')`,
  role: membership.role,
};

/**
 * What is addressed to somebody, newest first, as far as they see it still: what was taken back, or lies in the bin, or
 * stands where they are not let in any more, is left out.
 * @param which only what they have not looked at, or only what stands in a letter
 */
export async function noticesOf(
  tx: Tx,
  who: string,
  which: { unseen: true } | { letter: string } | "all",
  most: number,
) {
  const rows = await tx
    .select(shown)
    .from(notice)
    .innerJoin(comment, eq(comment.id, notice.comment))
    .leftJoin(section, eq(section.id, comment.section))
    .leftJoin(placement, eq(placement.id, comment.placement))
    .leftJoin(resource, eq(resource.id, placement.resource))
    .innerJoin(collection, sql`${collection.id} = ${home}`)
    .leftJoin(membership, and(eq(membership.team, notice.team), eq(membership.person, notice.person)))
    .leftJoin(person, eq(person.id, comment.person))
    .where(
      and(
        eq(notice.person, who),
        which === "all"
          ? undefined
          : "letter" in which
            ? eq(notice.letter, which.letter)
            : isNull(notice.seenAt),
        isNull(comment.deletedAt),
        isNull(collection.deletedAt),
        isNull(section.deletedAt),
        isNull(placement.deletedAt),
        isNull(resource.deletedAt),
      ),
    )
    .orderBy(desc(notice.createdAt), desc(notice.id))
    .limit(most);
  const sight = rows.some((row) => row.role === null) ? await sightOf(tx, who) : null;
  return rows
    .filter((row) => row.role !== null || sight!.has(row.collection))
    .map(({ role: _, ...row }) => row);
}

/** Somebody has looked at what is addressed to them: at these, or at what these comments say. */
export async function seeNotices(
  tx: Tx,
  who: string,
  which: { notices?: readonly string[]; comments?: readonly string[] } | "all",
  at: Date,
): Promise<void> {
  const only =
    which === "all"
      ? undefined
      : which.notices
        ? inArray(notice.id, [...which.notices])
        : inArray(notice.comment, [...(which.comments ?? [])]);
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
