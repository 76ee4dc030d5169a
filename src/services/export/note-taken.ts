import { findCollection } from "@/data/queries/collections";
import { writeLog } from "@/data/queries/log";
import { database } from "@/mechanism/changing";
import type { Actor } from "@/mechanism/actor";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";

/**
 * Writes down for those who own a team what was taken out of it, and by whom.
 * @param from the collection, or the team as a whole
 * @param what in few words; nothing is noted of who has no account
 */
export async function noteTaken(
  { person }: Pick<Actor, "person">,
  from: { collection: string } | { team: string },
  what: string,
): Promise<void> {
  const here =
    "team" in from ? { team: from.team, id: null } : await findCollection(database(), from.collection);
  if (!here || !person) return;
  await writeLog(database(), [
    {
      ...{ id: newId(), at: now(), team: here.team, person: person.id, what: "taken-out" },
      ...{ collection: here.id, about: what },
    },
  ]);
}
