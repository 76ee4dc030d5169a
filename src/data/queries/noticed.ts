import { and, desc, eq, inArray, isNotNull, isNull, type SQL, sql } from "drizzle-orm";
import { may, type Role } from "@/core/policy/abilities";
import type { NoticeKind } from "@/core/talk/notices";
import type { Tx } from "../database";
import {
  collection,
  comment,
  handout,
  learnerGroup,
  membership,
  notice,
  person,
  placement,
  resource,
  section,
  sheet,
  suggestion,
  thanks,
} from "../schema";
import { sightOf } from "./guests";

/** Something that is addressed to somebody, with what it is about as that is now. */
export type Noticed = {
  id: string;
  kind: NoticeKind;
  createdAt: Date;
  seenAt: Date | null;
  team: string;
  collection: string;
  title: string;
  /** What was said, and where. */
  comment: string | null;
  words: string;
  section: string | null;
  placement: string | null;
  /** What in the collection it is about; empty: the collection as a whole. */
  about: string;
  /** Null: nobody with an account. */
  by: { id: string; name: string | null; image: string | null } | null;
  /** The item, the collection or the handout it is about, when nothing was said. */
  subject: string | null;
  /** Until when one is asked to see to it, as 2026-12-03. */
  day: string | null;
  /** How many wait to be decided, or have handed in and were not looked at. */
  many: number | null;
};
type Which = { unseen: true } | { letter: string } | "all";
type Row = Noticed & { role: Role | null };

const told = {
  ...{ id: notice.id, kind: notice.kind, createdAt: notice.createdAt, seenAt: notice.seenAt },
  ...{ team: notice.team, subject: notice.subject, role: membership.role },
};
const none = {
  ...{ comment: sql<null>`NULL`, words: sql<string>`''`, section: sql<null>`NULL` },
  ...{ placement: sql<null>`NULL`, about: sql<string>`''`, day: sql<null>`NULL` },
};
const inTeam = and(eq(membership.team, notice.team), eq(membership.person, notice.person));
const heading = sql<string>`COALESCE(NULLIF(${placement.heading}, ''), ${resource.title}, '')`;

const asked = (who: string, which: Which, ...kinds: NoticeKind[]): SQL | undefined =>
  and(
    eq(notice.person, who),
    inArray(notice.kind, kinds),
    which === "all" ? undefined : "letter" in which ? eq(notice.letter, which.letter) : isNull(notice.seenAt),
  );

const home = sql<string>`COALESCE(${comment.collection}, ${section.collection}, ${placement.collection})`;

/** What was said. */
const said = (tx: Tx, who: string, which: Which, most: number) =>
  tx
    .select({
      ...told,
      ...{
        comment: comment.id,
        words: comment.words,
        section: comment.section,
        placement: comment.placement,
      },
      ...{ collection: collection.id, title: collection.title, day: none.day, many: sql<null>`NULL` },
      by: { id: comment.person, name: person.name, image: person.image },
      about: sql<string>`COALESCE(NULLIF(${placement.heading}, ''), ${resource.title}, ${section.title}, '')`,
    })
    .from(notice)
    .innerJoin(comment, eq(comment.id, notice.comment))
    .leftJoin(section, eq(section.id, comment.section))
    .leftJoin(placement, eq(placement.id, comment.placement))
    .leftJoin(resource, eq(resource.id, placement.resource))
    .innerJoin(collection, sql`${collection.id} = ${home}`)
    .leftJoin(membership, inTeam)
    .leftJoin(person, eq(person.id, comment.person))
    .where(
      and(
        asked(who, which, "mention", "answer"),
        isNull(comment.deletedAt),
        isNull(collection.deletedAt),
        isNull(section.deletedAt),
        isNull(placement.deletedAt),
        isNull(resource.deletedAt),
      ),
    )
    .orderBy(desc(notice.createdAt), desc(notice.id))
    .limit(most);

/** What one is to see to, as long as one is asked. */
const toSeeTo = (tx: Tx, who: string, which: Which, most: number) =>
  tx
    .select({
      ...{ ...told, ...none, day: placement.askedUntil, many: sql<null>`NULL` },
      ...{ collection: collection.id, title: collection.title, placement: placement.id, about: heading },
      by: { id: placement.askedBy, name: person.name, image: person.image },
    })
    .from(notice)
    .innerJoin(placement, and(eq(placement.id, notice.subject), eq(placement.askedOf, notice.person)))
    .innerJoin(resource, eq(resource.id, placement.resource))
    .innerJoin(collection, eq(collection.id, placement.collection))
    .leftJoin(membership, inTeam)
    .leftJoin(person, eq(person.id, placement.askedBy))
    .where(
      and(
        asked(who, which, "asked"),
        isNull(placement.deletedAt),
        isNull(resource.deletedAt),
        isNull(collection.deletedAt),
      ),
    )
    .orderBy(desc(notice.createdAt), desc(notice.id))
    .limit(most);

const waiting = sql<number>`(SELECT COUNT(*) FROM ${suggestion} s
  WHERE s.collection = ${collection.id} AND s.state = 'waiting' AND s.deleted_at IS NULL)`.mapWith(Number);

/** Where things are suggested. */
const suggested = (tx: Tx, who: string, which: Which, most: number) =>
  tx
    .select({
      ...{ ...told, ...none, many: waiting, by: sql<null>`NULL` },
      ...{ collection: collection.id, title: collection.title },
    })
    .from(notice)
    .innerJoin(collection, eq(collection.id, notice.subject))
    .innerJoin(membership, inTeam)
    .where(and(asked(who, which, "suggested"), isNull(collection.deletedAt)))
    .orderBy(desc(notice.createdAt), desc(notice.id))
    .limit(most);

const handedIn = sql<number>`(SELECT COUNT(*) FROM ${sheet} s
  WHERE s.handout = ${handout.id} AND s.handed_in_at IS NOT NULL
    AND (s.looked_at IS NULL OR s.looked_at < s.handed_in_at))`.mapWith(Number);

/** What learners have handed in. */
const returned = (tx: Tx, who: string, which: Which, most: number) =>
  tx
    .select({
      ...{ ...told, ...none, many: handedIn, by: sql<null>`NULL` },
      ...{ collection: handout.collection, title: handout.title, about: learnerGroup.title },
    })
    .from(notice)
    .innerJoin(handout, eq(handout.id, notice.subject))
    .innerJoin(learnerGroup, eq(learnerGroup.id, handout.group))
    .innerJoin(membership, inTeam)
    .where(and(asked(who, which, "returned"), isNull(handout.deletedAt), isNull(learnerGroup.deletedAt)))
    .orderBy(desc(notice.createdAt), desc(notice.id))
    .limit(most);

const hides = sql<number>`IF(${collection.hiddenAt} IS NULL, 0, 1)`.mapWith(Number);
const helps = sql<number>`(SELECT COUNT(*) FROM ${thanks} h
  WHERE h.collection = ${collection.id} AND h.away_at IS NULL)`.mapWith(Number);

/** What stewards hide, or readers say that it helped. */
const ofCollection =
  (kind: "hidden" | "helped", many: SQL<number>) => (tx: Tx, who: string, which: Which, most: number) =>
    tx
      .select({
        ...{ ...told, ...none, many },
        ...{ collection: collection.id, title: collection.title, by: sql<null>`NULL` },
      })
      .from(notice)
      .innerJoin(collection, eq(collection.id, notice.subject))
      .innerJoin(membership, inTeam)
      .where(and(asked(who, which, kind), isNull(collection.deletedAt)))
      .orderBy(desc(notice.createdAt), desc(notice.id))
      .limit(most);

/**
 * What is addressed to somebody, newest first, as far as they see it still: what was taken back, is done, or lies in the
 * bin, or stands where they are not let in any more, is left out.
 * @param which only what they have not looked at, or only what stands in a letter
 */
export async function noticesOf(tx: Tx, who: string, which: Which, most: number): Promise<Noticed[]> {
  const all = await Promise.all(
    [said, toSeeTo, suggested, returned, ofCollection("hidden", hides), ofCollection("helped", helps)].map(
      (of) => of(tx, who, which, most) as Promise<Row[]>,
    ),
  );
  const rows = all
    .flat()
    // Nothing waits, or nothing any more.
    .filter((row) => row.many === null || row.many > 0)
    .sort((a, b) => b.createdAt.getTime() - a.createdAt.getTime() || (a.id < b.id ? 1 : -1))
    .slice(0, most);
  const sight = rows.some((row) => row.role === null) ? await sightOf(tx, who) : null;
  return (
    rows
      .filter((row) => row.role !== null || sight!.has(row.collection))
      // Who may not decide any more is asked for nothing.
      .filter((row) => row.many === null || may(row.role, "arrange"))
      .map(({ role: _, ...row }) => row)
  );
}

/** What somebody is asked to see to in all teams, the next day first, as far as they see it. */
export async function askedOf(tx: Tx, who: string, most: number) {
  const rows = await tx
    .select({
      ...{ placement: placement.id, about: heading, until: placement.askedUntil, team: placement.team },
      ...{ collection: collection.id, title: collection.title, role: membership.role, seenAt: notice.seenAt },
      by: { id: placement.askedBy, name: person.name, image: person.image },
    })
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .innerJoin(collection, eq(collection.id, placement.collection))
    .leftJoin(membership, and(eq(membership.team, placement.team), eq(membership.person, who)))
    .leftJoin(person, eq(person.id, placement.askedBy))
    .leftJoin(notice, and(eq(notice.person, who), eq(notice.kind, "asked"), eq(notice.subject, placement.id)))
    .where(
      and(
        eq(placement.askedOf, who),
        isNull(placement.deletedAt),
        isNull(resource.deletedAt),
        isNull(collection.deletedAt),
        isNotNull(placement.askedBy),
      ),
    )
    .orderBy(sql`${placement.askedUntil} IS NULL`, placement.askedUntil, placement.id)
    .limit(most);
  const sight = rows.some((row) => row.role === null) ? await sightOf(tx, who) : null;
  return rows
    .filter((row) => row.role !== null || sight!.has(row.collection))
    .map(({ role: _, ...row }) => row);
}
