import { databaseNow, type EventRow, eventsWritten } from "@/data/queries/events";
import { reading } from "@/mechanism/action";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { settings } from "@/outside/settings";
import { BACK, eventBytes, hub, WORDS } from "./hub";

class Listen {
  @Id() team: string;
}

export const listen = reading({
  name: "events.listen",
  about:
    "A stream of what happens in a team, as server-sent events. A client that comes back names the last one it saw.",
  input: Listen,
  allow: can.see("team"),
  run: async ({ input }) => ({ team: input.team }),
});

/** So many events are caught up with; after a longer break everything is to be read anew. */
const CATCH_UP = 1_000;
/** Whoever was away longer reads everything anew, in milliseconds. */
const LONGEST = 24 * 3_600_000;

/** Where the bytes of a stream go. */
export type Out = { write: (bytes: Uint8Array) => void; end: () => void };

/**
 * Lets somebody who may listen to a team hear what happens in it. What happened since the last event they saw, or since
 * a moment before they came, is told first; when that is too much, or not to be known, they are told to read all anew.
 * @param last as the stream said it with the last event, `<time>~<id>`; null for who comes for the first time
 * @returns the way to stop
 * @throws {Problem} too-many-places
 */
export function listenTo(actor: Actor, team: string, last: string | null, out: Out): () => void {
  const person = actor.person!.id;
  if (hub().placesOf(person) >= Number(settings().streams)) throw new Problem("too-many-places");
  /** What came while it was caught up. */
  let meanwhile: Set<string> | null = new Set();
  const stop = hub().listen({
    team,
    person,
    by: actor.by,
    write: (bytes, id) => {
      meanwhile?.add(id);
      out.write(bytes);
    },
    end: () => {
      stop();
      out.end();
    },
  });
  out.write(WORDS.begin);
  missedSince(last, team, person).then(
    (missed) => {
      if (!missed) out.write(WORDS.reload);
      else for (const row of missed) if (!meanwhile!.has(row.id)) out.write(eventBytes(row));
      meanwhile = null;
    },
    () => {
      // It comes back, and asks again.
      stop();
      out.end();
    },
  );
  return stop;
}

/** @returns null when it is too much, or not to be known */
async function missedSince(last: string | null, team: string, person: string): Promise<EventRow[] | null> {
  const at = await databaseNow(database());
  // Without a last one the page was drawn a moment ago; what happened since then would be missed.
  const since = last === null ? at.getTime() : Number(last.split("~")[0]);
  if (!Number.isFinite(since) || at.getTime() - since > LONGEST) return null;
  const rows = await eventsWritten(database(), new Date(since - BACK), [team], person, CATCH_UP);
  return rows.length === CATCH_UP || rows.some((row) => row.verb === "late") ? null : rows;
}
