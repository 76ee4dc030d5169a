import { type EventRow, eventsSince } from "@/data/queries/events";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { log } from "@/outside/log";
import { onSignal } from "@/outside/signals";

/** What a listener gets of an event. */
export type LiveEvent = Pick<EventRow, "id" | "verb" | "collection" | "subject" | "actor" | "data"> & {
  at: string;
};
type Listener = { team: string; person: string; send: (event: LiveEvent) => void };

const EVERY = 1_000;
/** A transaction may commit after one stamped later, so each look goes this far back. */
const BACK = 5_000;

/**
 * One look at the events table for all listeners of this process, at most once a second and only while somebody
 * listens. A change made in this very process is looked for at once, within the same limit.
 */
class Hub {
  readonly #listeners = new Set<Listener>();
  readonly #sent = new Map<string, number>();
  #timer: ReturnType<typeof setTimeout> | undefined;
  #lookedAt = 0;
  #looking = false;

  constructor() {
    onSignal("events", () => this.#soon());
  }

  /** Sends what a person hears of a team from now on. @returns the way to stop */
  listen(team: string, person: string, send: Listener["send"]): () => void {
    const listener = { team, person, send };
    if (!this.#listeners.size) this.#lookedAt = Date.now();
    this.#listeners.add(listener);
    this.#timer ??= setTimeout(() => void this.#look(), EVERY);
    return () => {
      this.#listeners.delete(listener);
    };
  }

  #soon(): void {
    if (!this.#listeners.size || this.#looking) return;
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#look(), Math.max(0, this.#lookedAt + EVERY - Date.now()));
  }

  async #look(): Promise<void> {
    this.#looking = true;
    this.#lookedAt = Date.now();
    try {
      const teams = [...new Set([...this.#listeners].map((listener) => listener.team))];
      const since = new Date(now().getTime() - BACK - EVERY);
      for (const row of await eventsSince(database(), since, teams, null, 5_000)) {
        if (this.#sent.has(row.id)) continue;
        this.#sent.set(row.id, row.at.getTime());
        const event = toLive(row);
        for (const { team, person, send } of this.#listeners)
          if (team === row.team && (row.onlyFor === null || row.onlyFor === person)) send(event);
      }
      for (const [id, at] of this.#sent) if (at < since.getTime() - 60_000) this.#sent.delete(id);
    } catch (error) {
      log.warn({ err: error }, "could not look for events");
    }
    this.#looking = false;
    this.#timer = this.#listeners.size ? setTimeout(() => void this.#look(), EVERY) : undefined;
  }
}

/** An event as listeners get it. */
export const toLive = ({ id, at, verb, collection, subject, actor, data }: EventRow): LiveEvent => ({
  id,
  verb,
  collection,
  subject,
  actor,
  data,
  at: at.toISOString(),
});

const shared = globalThis as { hobbinHub?: Hub };
/** The hub of this process. */
export const hub = (): Hub => (shared.hobbinHub ??= new Hub());
