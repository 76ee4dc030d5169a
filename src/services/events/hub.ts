import { databaseNow, type EventRow, eventsWritten } from "@/data/queries/events";
import { sightOf } from "@/data/queries/guests";
import { type Credential, stillHolding } from "@/data/queries/still-holding";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { log } from "@/outside/log";
import { onSignal } from "@/outside/signals";
import { hears, homesOfSubjects } from "./hears";

/** What a listener gets of an event. */
export type LiveEvent = Pick<EventRow, "id" | "verb" | "collection" | "subject" | "actor" | "data"> & {
  at: string;
};

/** Somebody who listens to a team. */
type Listener = {
  team: string;
  person: string;
  by: Credential | undefined;
  /** Of a guest, the collections of which alone they hear. */
  only: ReadonlySet<string> | null;
  /** Gets the bytes of an event, the same ones as everybody else. */
  write: (bytes: Uint8Array, id: string) => void;
  /** Told that it may listen no longer, or that the process ends. */
  end: () => void;
};

const EVERY = 1_000;
/** Every so many looks it is asked who may still listen, and those who may are told that the stream lives. */
const [CHECK, BEAT] = [2, 15];
/** A transaction may end after one that was written later, so each look goes this far back. */
export const BACK = 10_000;
/** So many events are read in a look; when there are more, everything is to be read anew. */
const MOST = 5_000;

const bytesOf = (text: string) => Buffer.from(text);
/** Words of a stream that are no events (https://html.spec.whatwg.org/multipage/server-sent-events.html). */
export const WORDS = {
  begin: bytesOf("retry: 1000\n\n"),
  alive: bytesOf(": still here\n\n"),
  reload: bytesOf("event: reload\ndata: {}\n\n"),
  /** Whoever takes over is found at once. */
  end: bytesOf("retry: 300\n: goes on at once\n\n"),
};

/** An event as it is sent: its id is when it was written, and its own. */
export function eventBytes({
  written,
  id,
  at,
  verb,
  collection,
  subject,
  actor,
  data,
}: EventRow): Uint8Array {
  const event: LiveEvent = { id, verb, collection, subject, actor, data, at: at.toISOString() };
  return bytesOf(`id: ${written.getTime()}~${id}\ndata: ${JSON.stringify(event)}\n\n`);
}

/**
 * One look at the events table for all listeners of this process, at most once a second and only while somebody
 * listens. It goes by the database's clock alone. A change made in this very process is looked for at once, within the
 * same limit. Whenever it cannot be sure that everybody hears of everything, it says that all is to be read anew.
 */
class Hub {
  readonly #teams = new Map<string, Set<Listener>>();
  readonly #sent = new Map<string, number>();
  #timer: ReturnType<typeof setTimeout> | undefined;
  #lookedAt = 0;
  #looks = 0;
  #looking = false;
  /** Up to when everything has been read, by the database's clock; null before the first look. */
  #until: Date | null = null;

  constructor() {
    onSignal("events", () => this.#soon());
    onSignal("stopping", () => this.#each((one) => (one.write(WORDS.end, ""), one.end())));
  }

  /** Lets somebody hear of a team from now on. @returns the way to stop */
  listen(listener: Listener): () => void {
    if (!this.#teams.size) {
      this.#lookedAt = performance.now();
      this.#until = null;
    }
    const of = this.#teams.get(listener.team) ?? new Set();
    this.#teams.set(listener.team, of.add(listener));
    this.#timer ??= setTimeout(() => void this.#look(), EVERY);
    return () => {
      of.delete(listener);
      if (!of.size && this.#teams.get(listener.team) === of) this.#teams.delete(listener.team);
    };
  }

  /** In how many places a person listens. */
  placesOf(person: string): number {
    let places = 0;
    this.#each((one) => void (one.person === person && places++));
    return places;
  }

  /** How many listen. */
  get listeners(): number {
    let listeners = 0;
    for (const of of this.#teams.values()) listeners += of.size;
    return listeners;
  }

  #each(work: (listener: Listener) => void): void {
    for (const of of [...this.#teams.values()]) for (const listener of [...of]) work(listener);
  }

  #soon(): void {
    if (!this.#teams.size || this.#looking) return;
    clearTimeout(this.#timer);
    const wait = Math.max(0, this.#lookedAt + EVERY - performance.now());
    this.#timer = setTimeout(() => void this.#look(), wait);
  }

  async #look(): Promise<void> {
    this.#looking = true;
    this.#lookedAt = performance.now();
    try {
      await this.#read();
      this.#looks++;
      if (this.#looks % CHECK === 0) await this.#check();
      if (this.#looks % BEAT === 0) this.#each((one) => one.write(WORDS.alive, ""));
    } catch (error) {
      log.warn({ err: error }, "could not look for events");
    }
    this.#looking = false;
    this.#timer = this.#teams.size ? setTimeout(() => void this.#look(), EVERY) : undefined;
  }

  async #read(): Promise<void> {
    const at = await databaseNow(database());
    const before = this.#until ?? at;
    const since = new Date(before.getTime() - BACK);
    const rows = await eventsWritten(database(), since, [...this.#teams.keys()], null, MOST);
    this.#until = at;
    // A clock that was set back hides what is written now behind what was read already.
    if (rows.length === MOST || at < before) {
      for (const row of rows) this.#sent.set(row.id, row.written.getTime());
      return this.#each((one) => one.write(WORDS.reload, ""));
    }
    const fresh = rows.filter((row) => !this.#sent.has(row.id));
    const ofGuests = fresh.filter(({ team }) => [...(this.#teams.get(team) ?? [])].some((one) => one.only));
    const homes = ofGuests.length ? await homesOfSubjects(database(), ofGuests) : new Map<string, string[]>();
    for (const row of fresh) {
      this.#sent.set(row.id, row.written.getTime());
      const isLate = row.verb === "late";
      const bytes = isLate ? WORDS.reload : eventBytes(row);
      for (const { person, only, write } of this.#teams.get(row.team) ?? [])
        if ((row.onlyFor === null || row.onlyFor === person) && (isLate || hears(only, row, homes)))
          write(bytes, row.id);
    }
    for (const [id, written] of this.#sent) if (written < since.getTime() - BACK) this.#sent.delete(id);
  }

  /**
   * Ends the streams of those whose session, token or membership has ended. Guests hear from then on of what they see by
   * now: a collection may have been moved into theirs, or out of it.
   */
  async #check(): Promise<void> {
    const credentials: Credential[] = [];
    this.#each(({ by }) => void (by && credentials.push(by)));
    const { ids, members } = await stillHolding(database(), credentials, [...this.#teams.keys()], now());
    const guests: Listener[] = [];
    this.#each((one) => void (one.only && guests.push(one)));
    for (const one of guests) one.only = new Set((await sightOf(database(), one.person, one.team)).keys());
    this.#each((one) => {
      const isIn = one.only ? one.only.size > 0 : members.has(`${one.team}~${one.person}`);
      if ((one.by && !ids.has(one.by.id)) || !isIn) one.end();
    });
  }
}

const shared = globalThis as { hobbinHub?: Hub };
/** The hub of this process. */
export const hub = (): Hub => (shared.hobbinHub ??= new Hub());
