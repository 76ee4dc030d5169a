import { databaseNow, type EventRow, eventsWritten } from "@/data/queries/events";
import { reading } from "@/mechanism/action";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { settings } from "@/outside/settings";
import { hears, homesOfSubjects } from "./hears";
import { BACK, eventBytes, hub, WORDS } from "./hub";

class Listen {
  @Id() team: string;
}

export const listen = reading({
  name: "events.listen",
  about:
    "A stream of what happens in a team, as server-sent events. A client that comes back names the last one it saw.",
  input: Listen,
  allow: can.seeHere("team"),
  run: async ({ input, scope }) => ({
    team: input.team,
    /** The collections of which alone a guest hears; null: of everything. */
    only: scope.sight ? [...scope.sight.keys()] : null,
  }),
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
 * @param only the collections of which alone they hear; null: of everything
 * @param last as the stream said it with the last event, `<time>~<id>`; null for who comes for the first time
 * @returns the way to stop
 * @throws {Problem} too-many-places
 */
export function listenTo(
  actor: Actor,
  { team, only, last }: { team: string; only: readonly string[] | null; last: string | null },
  out: Out,
): () => void {
  const person = actor.person!.id;
  if (hub().placesOf(person) >= Number(settings().streams)) throw new Problem("too-many-places");
  /** What came while it was caught up. */
  let meanwhile: Set<string> | null = new Set();
  const stop = hub().listen({
    team,
    person,
    by: actor.by,
    only: only && new Set(only),
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
  missedSince(last, team, person, only).then(
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
async function missedSince(
  last: string | null,
  team: string,
  person: string,
  only: readonly string[] | null,
): Promise<EventRow[] | null> {
  const at = await databaseNow(database());
  // Without a last one the page was drawn a moment ago; what happened since then would be missed.
  const since = last === null ? at.getTime() : Number(last.split("~")[0]);
  if (!Number.isFinite(since) || at.getTime() - since > LONGEST) return null;
  const rows = await eventsWritten(database(), new Date(since - BACK), [team], person, CATCH_UP);
  if (rows.length === CATCH_UP || rows.some((row) => row.verb === "late")) return null;
  if (!only) return rows;
  const [here, homes] = [new Set(only), await homesOfSubjects(database(), rows)];
  return rows.filter((row) => hears(here, row, homes));
}
