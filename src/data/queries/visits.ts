import { and, asc, desc, eq, gt, inArray, isNull, lt, ne, notInArray, or, sql } from "drizzle-orm";
import { NEWS_VERBS } from "@/core/history/news";
import type { Tx } from "../database";
import { event, lastVisit, placement, resource } from "../schema";
import { heardBy, told } from "./events";

type Visit = { collection: string; person: string };

/** When somebody was last here for a while, by the database's clock; null when never. */
export async function lastVisitOf(tx: Tx, { collection, person }: Visit): Promise<Date | null> {
  const rows = await tx
    .select({ at: lastVisit.at })
    .from(lastVisit)
    .where(and(eq(lastVisit.person, person), eq(lastVisit.collection, collection)));
  return rows[0]?.at ?? null;
}

/** Notes that somebody is here, and sees what there is by now. */
export async function noteVisit(tx: Tx, visit: Visit): Promise<void> {
  const at = sql`CURRENT_TIMESTAMP(3)`;
  await tx
    .insert(lastVisit)
    .values({ ...visit, at })
    .onDuplicateKeyUpdate({ set: { at } });
}

/** What others, and Hobbin for them, did to the items of a collection since a time, in its order. */
export async function doneToItems(tx: Tx, { collection, person }: Visit, since: Date, most: number) {
  return tx
    .select({ verb: event.verb, subject: event.subject })
    .from(event)
    .where(
      and(
        eq(event.collection, collection),
        gt(event.written, since),
        or(isNull(event.actor), ne(event.actor, person)),
        inArray(event.verb, NEWS_VERBS),
      ),
    )
    .orderBy(asc(event.written), asc(event.id))
    .limit(most);
}

/**
 * What happened in a collection, newest first, with names; of what is about an item, how it is called now.
 * @param before the last one of the page before
 */
export async function happenedIn(
  tx: Tx,
  { collection, person }: Visit,
  before: { written: Date; id: string } | null,
  most: number,
) {
  return told(tx, {
    written: event.written,
    heading: placement.heading,
    resourceTitle: resource.title,
  })
    .leftJoin(placement, eq(placement.id, event.subject))
    .leftJoin(resource, eq(resource.id, placement.resource))
    .where(
      and(
        eq(event.collection, collection),
        heardBy(person),
        // Where something was brought in to is told by its place there.
        notInArray(event.verb, [
          "presence",
          "late",
          "imports.progress",
          "resources.captured",
          "notices.came",
        ]),
        before
          ? or(
              lt(event.written, before.written),
              and(eq(event.written, before.written), lt(event.id, before.id)),
            )
          : undefined,
      ),
    )
    .orderBy(desc(event.written), desc(event.id))
    .limit(most);
}

/** Where an event stands in the order in which they were written; null when it is gone. */
export async function placeOfEvent(tx: Tx, id: string) {
  const rows = await tx.select({ written: event.written, id: event.id }).from(event).where(eq(event.id, id));
  return rows[0] ?? null;
}
