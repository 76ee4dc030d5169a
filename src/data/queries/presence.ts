import { and, eq, gt } from "drizzle-orm";
import type { Tx } from "../database";
import { person, presence } from "../schema";

type Here = { collection: string; person: string };

const own = (me: Here) => and(eq(presence.collection, me.collection), eq(presence.person, me.person));

/** When a person last said that they have a collection open, or null. */
export async function seenHere(tx: Tx, me: Here): Promise<Date | null> {
  return (await tx.select().from(presence).where(own(me)))[0]?.seenAt ?? null;
}

/** Says that somebody has closed a collection. */
export async function leaveHere(tx: Tx, me: Here): Promise<void> {
  await tx.delete(presence).where(own(me));
}

/** Says that somebody has a collection open. */
export async function comeHere(tx: Tx, row: Here & { seenAt: Date }): Promise<void> {
  await tx
    .insert(presence)
    .values(row)
    .onDuplicateKeyUpdate({ set: { seenAt: row.seenAt } });
}

/** Who has said since that they have the collection open, up to 50 of them. */
export async function peopleHere(tx: Tx, collection: string, since: Date) {
  return tx
    .select({ id: person.id, name: person.name, image: person.image })
    .from(presence)
    .innerJoin(person, eq(person.id, presence.person))
    .where(and(eq(presence.collection, collection), gt(presence.seenAt, since)))
    .orderBy(person.name)
    .limit(50);
}
