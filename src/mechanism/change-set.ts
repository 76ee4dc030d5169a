import { type Change, difference, type EntityType } from "@/core/history/change";
import type { Verb } from "@/core/history/verbs";
import type { Logged } from "@/core/log/kinds";
import type { Ability } from "@/core/policy/abilities";
import type { Tx } from "@/data/database";
import { collectionsSeeing, entityOf, type RowOf, writeChanges } from "@/data/entities";
import { directionOf } from "@/data/entities/entity";
import { lockCollections, touchCollections } from "@/data/queries/collections";
import { noteListings } from "@/data/queries/listings";
import { writeEvents } from "@/data/queries/events";
import { addHistoryEntry } from "@/data/queries/history";
import { addJobs, type NewJob } from "@/data/queries/jobs";
import { type NewLogEntry, writeLog } from "@/data/queries/log";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import type { Ordered } from "@/core/order/place";
import { type InOrder, writeKeys } from "@/data/queries/order";
import { giveOwnKeys } from "./own-keys";

/** In which team something is done, and by whom; by nobody when Hobbin does it in a job. */
export type Doer = { team: string | null; person: string | null };

/** Something that happened, for whoever listens; team, person and time are known already. */
export type NewEvent = {
  verb: Verb;
  subject: string;
  collection?: string | null;
  data?: Record<string, unknown>;
  /** Another team than the one things are changed in. */
  team?: string;
  /** The only one who hears of it. */
  onlyFor?: string;
  /** Somebody else than whom the changes are by; null: Hobbin itself. */
  actor?: string | null;
  /** What it stands for. */
  changes?: readonly Change[];
};

type Said = Record<string, unknown>;
type Options<Row> = {
  /** What the event says besides what changed. */
  say?: Said | ((row: Row) => Said);
  /** Another verb than the kind of thing has for such a change. */
  verb?: Verb;
  /** It is not taken back by undo, because what hangs on it is not either. */
  forGood?: boolean;
  /** It goes along with what it stands in, which is told and taken back for it. */
  along?: boolean;
  /** It is taken back, but what it belongs to is told in one for all of it. */
  untold?: boolean;
};
type Many<T> = T | readonly T[];
type OneOf<T extends EntityType> = RowOf<T>;

/**
 * Everything one transaction changes. Each of its verbs writes the rows, counts the versions of the collections whose
 * readers see them, tells what happened with before and after, and keeps the difference for undo. Collections are
 * counted, and so locked, before what stands in them.
 */
export class ChangeSet {
  /** The time of everything in it. */
  readonly at = now();
  readonly #tx: Tx;
  readonly #doer: Doer;
  readonly #changes: Change[] = [];
  readonly #events: NewEvent[] = [];
  readonly #jobs: NewJob[] = [];
  readonly #logged: NewLogEntry[] = [];
  readonly #counted = new Set<string>();
  /** What was changed and waits for the event that tells it with everything else. */
  #untold: Change[] = [];

  constructor(tx: Tx, doer: Doer) {
    this.#tx = tx;
    this.#doer = doer;
  }

  /** What can be taken back so far, in the order in which it was done. */
  get changes(): readonly Change[] {
    return this.#changes;
  }

  /** Adds things that were not there. Of links, those that are there already stay as they are. */
  async add<T extends EntityType>(
    type: T,
    rows: Many<OneOf<T>>,
    options: Options<OneOf<T>> = {},
  ): Promise<void> {
    const entity = entityOf(type);
    const all = listed(rows);
    const changes = coming(type, all);
    const where = changes.map((change, i) => ({
      ...change,
      after: { ...change.after, ...entity.placeOf?.(all[i] as never) },
    }));
    const write = () => entity.insert(this.#tx, all as readonly never[]);
    await this.#make(changes, all, { verb: entity.verbs.added, ...options }, { write, where });
  }

  /**
   * Gives things other fields. What has them already is left alone, and nothing is told of it.
   * @param rows the things as they are, with at least the fields that change
   * @param fields those that are meant, and no others: what is only handed on as it was read would take back what
   * somebody else has written since. Undefined ones are left out
   */
  async change<T extends EntityType, Row extends Partial<OneOf<T>>>(
    type: T,
    rows: Many<Row>,
    fields: Partial<OneOf<T>> | ((row: Row, i: number) => Partial<OneOf<T>>),
    options: Options<Row> = {},
  ): Promise<void> {
    const all = listed(rows);
    const idOf = (row: Row) => entityOf(type).idOf(row as never);
    const after = all.map((row, i) => (typeof fields === "function" ? fields(row, i) : fields) as Said);
    const differences = (current?: ReadonlyMap<string, Said | null>) =>
      all.flatMap((row, i) => {
        const id = idOf(row);
        const change = difference(type, id, { ...row, ...current?.get(id) }, after[i]!);
        return change ? [{ row, change }] : [];
      });
    let made = differences();
    if (!made.length) return;
    // Somebody may have changed them between the look and the lock: what is kept for undo and what is written is the
    // difference from what is there now.
    const seenIn = await collectionsSeeing(
      this.#tx,
      made.map((one) => one.change),
    );
    const open = seenIn.filter((id) => !this.#counted.has(id));
    if (open.length) await lockCollections(this.#tx, open);
    made = differences(await entityOf(type).read(this.#tx, all.map(idOf)));
    await this.#make(
      made.map((one) => one.change),
      made.map((one) => one.row),
      options,
    );
  }

  /** Puts things into the bin, or takes links and tags away. */
  async remove<T extends EntityType, Row extends Partial<OneOf<T>>>(
    type: T,
    rows: Many<Row>,
    options: Options<Row> = {},
  ): Promise<void> {
    const all = listed(rows);
    const changes = coming(type, all).map(({ before, after, ...one }) => ({
      ...one,
      before: after,
      after: before,
    }));
    await this.#make(changes, all, options);
  }

  /** Brings things back out of the bin, where they stood or with other fields. */
  async restore<
    T extends
      | "collection"
      | "section"
      | "placement"
      | "resource"
      | "mark"
      | "ownMark"
      | "appraisal"
      | "agreed"
      | "wish",
    Row extends OneOf<T> & { id: string },
  >(
    type: T,
    rows: Many<Row>,
    { fields, ...options }: Options<Row> & { fields?: Partial<OneOf<T>> } = {},
  ): Promise<void> {
    const all = listed(rows);
    const changes = all.map((row) => {
      const moved = fields && difference(type, row.id, row as Said, fields as Said);
      return {
        type,
        id: entityOf(type).idOf(row as never),
        before: { ...moved?.before, gone: true },
        after: { ...moved?.after, gone: false },
      };
    });
    await this.#make(changes, all, options);
    await this.giveOwnKeys(changes);
  }

  /**
   * Gives neighbours of what is put somewhere other keys; happens when keys have grown long. It is told with what is put.
   * @param moved with the new keys
   * @param others all of the order, with the old ones
   */
  async respread(what: InOrder, moved: readonly Ordered[], others: readonly Ordered[]): Promise<void> {
    const before = new Map(others.map(({ id, position }) => [id, position]));
    await writeKeys(this.#tx, what, moved);
    for (const { id, position } of moved)
      this.#untold.push({ type: what, id, before: { position: before.get(id) }, after: { position } });
  }

  /**
   * Gives what was put back somewhere a key of its own, where something else has it by now.
   * @returns the keys that are other ones than the changes say, by id
   */
  async giveOwnKeys(changes: readonly Change[]): Promise<Map<string, string>> {
    const given = await giveOwnKeys(this.#tx, changes);
    this.#untold.push(...given);
    return new Map(given.map(({ id, after }) => [id, after!.position as string]));
  }

  /** Makes changes that are laid down already, of whatever kinds: those of an undo. They are not kept for undo again. */
  async apply(changes: readonly Change[]): Promise<void> {
    await this.#make(changes, changes, { forGood: true });
  }

  /** Lets go what was told so far; after the database was set back to how it was. */
  forget(): void {
    this.#events.length = 0;
    this.#jobs.length = 0;
    this.#changes.length = 0;
    this.#untold.length = 0;
  }

  /** Tells something that is no change of a thing in the table. */
  emit(event: NewEvent): void {
    const changes = [...this.#untold.splice(0), ...(event.changes ?? [])];
    this.#events.push({ ...event, ...(changes.length && { changes }) });
  }

  /** Puts work for later into the queue; it is there only if the changes are. */
  enqueue(job: NewJob): void {
    this.#jobs.push(job);
  }

  async #make<Row>(
    changes: readonly Change[],
    rows: readonly Row[],
    { say = {}, verb, forGood, along, untold }: Options<Row>,
    { write, where = changes }: { write?: () => PromiseLike<unknown>; where?: readonly Change[] } = {},
  ): Promise<void> {
    if (!changes.length) return;
    await this.count(await collectionsSeeing(this.#tx, where));
    const heard = along || untold ? null : await heardBy(this.#tx, where);
    await (write ? write() : writeChanges(this.#tx, changes, this.#stamp()));
    if (heard)
      changes.forEach((change, i) => {
        const said = typeof say === "function" ? say(rows[i]!) : say;
        this.#tell(whole(change, rows[i]!), heard(where[i]!), said, verb);
      });
    // Of what came along with something else its own row says since when it has been there.
    else if (untold || changes.some((change) => !isNew(change))) this.#untold.push(...changes);
    if (!forGood && !along) this.#changes.push(...changes);
  }

  /** Counts the versions of collections, once each; it locks them for the rest of the transaction. */
  async count(collections: readonly string[]): Promise<void> {
    const fresh = [...new Set(collections)].filter((id) => !this.#counted.has(id)).sort();
    if (!fresh.length) return;
    fresh.forEach((id) => this.#counted.add(id));
    await touchCollections(this.#tx, fresh, this.at);
  }

  /** Writes down for those who own a team what changes nothing others see. */
  log(what: Logged, about: string, { team, collection }: { team: string; collection?: string | null }): void {
    const { person } = this.#doer;
    this.#logged.push({
      id: newId(),
      at: this.at,
      team,
      person,
      what,
      collection,
      about: about.slice(0, 300),
    });
  }

  #tell(change: Change, places: readonly (string | null)[], said: Said, verb?: Verb): void {
    const { verbs, subjectOf, onlyFor } = entityOf(change.type);
    const direction = directionOf(change);
    const own = direction === "changed" ? verbs.changed(Object.keys(change.after ?? {})) : verbs[direction];
    const left = change.after?.collection && change.before?.collection;
    for (const collection of places)
      this.emit({
        // Where it stood before, it is gone.
        verb: verb ?? (left && collection === left ? verbs.removed : own),
        subject: subjectOf(change.id),
        collection,
        ...(onlyFor && { onlyFor: onlyFor(change.id) }),
        data: said,
        changes: [change],
      });
  }

  #stamp() {
    if (!this.#doer.team) throw new Error("What belongs to a team is changed in one.");
    return { team: this.#doer.team, at: this.at, newId };
  }

  /**
   * Writes events, jobs and what can be taken back; the last thing in the transaction.
   * @param history how it is called, and what a person must be allowed to, to take it back; null: it is not taken back
   * @returns the id by which it can be taken back, or null
   */
  async finish(history: { words: string; ability: Ability } | null): Promise<string | null> {
    const { team, person } = this.#doer;
    await noteListings(this.#tx, [...this.#counted].sort(), this.at);
    await addJobs(this.#tx, this.#jobs);
    await writeLog(this.#tx, this.#logged);
    const last = this.#events.at(-1);
    if (last && this.#untold.length) last.changes = [...(last.changes ?? []), ...this.#untold.splice(0)];
    const events = once(this.#events).flatMap(
      ({ team: other, collection, data, actor, changes, ...event }) => {
        const where = other ?? team;
        const row = {
          ...event,
          id: newId(),
          at: now(),
          collection: collection ?? null,
          actor: actor === undefined ? person : actor,
          data: data ?? {},
          changes: changes ? [...changes] : null,
        };
        return where ? { ...row, team: where } : [];
      },
    );
    await writeEvents(this.#tx, events);
    if (!history || !team || !person || !this.#changes.length) return null;
    for (const { type, after } of this.#changes)
      for (const name of Object.keys(after ?? {}))
        if (entityOf(type).knows?.(name) === false)
          throw new Error(`${type}.${name} could not be taken back: its entity does not read it.`);
    const id = newId();
    await addHistoryEntry(this.#tx, {
      id,
      team,
      person,
      words: history.words.slice(0, 200),
      ability: history.ability,
      changes: this.#changes,
      state: "done",
      createdAt: now(),
    });
    return id;
  }

  /** Whether there is something for those who listen for events and jobs, and in which teams. */
  get told(): { events: boolean; jobs: boolean; teams: string[] } {
    const teams = this.#events.flatMap(({ team }) => team ?? this.#doer.team ?? []);
    return { events: this.#events.length > 0, jobs: this.#jobs.length > 0, teams: [...new Set(teams)] };
  }
}

/** Things as they come into being, in the order of their rows. */
const coming = (type: EntityType, rows: readonly unknown[]): Change[] => {
  const { idOf, present, absent } = entityOf(type);
  return rows.map((row) => ({
    type,
    id: idOf(row as never),
    before: absent,
    after: present(row as never),
  }));
};

const listed = <T>(rows: Many<T>): readonly T[] => (Array.isArray(rows) ? rows : [rows as T]);

/** In which collections each change is heard of, whatever kinds they are of. */
async function heardBy(tx: Tx, changes: readonly Change[]) {
  const byType = new Map<EntityType, (change: Change) => (string | null)[]>();
  for (const type of new Set(changes.map((change) => change.type)))
    byType.set(
      type,
      await entityOf(type).heardIn(
        tx,
        changes.filter((change) => change.type === type),
      ),
    );
  return (change: Change) => byType.get(change.type)!(change);
}

/** The same verb of the same thing in the same place is told once, for all that changed. */
function once(events: readonly NewEvent[]): NewEvent[] {
  const all = new Map<string, NewEvent>();
  for (const event of events) {
    const key = [event.verb, event.subject, event.collection].join();
    const told = all.get(key);
    if (!told) all.set(key, { ...event });
    else if (event.changes) told.changes = [...(told.changes ?? []), ...event.changes];
  }
  return [...all.values()];
}

/** A change as it is told: what comes or goes with all its fields, as far as they are known. */
function whole(change: Change, row: unknown): Change {
  const direction = directionOf(change);
  if (direction === "changed") return change;
  const fields = entityOf(change.type).fieldsOf?.(row as never) ?? {};
  return direction === "removed"
    ? { ...change, before: { ...fields, ...change.before } }
    : { ...change, after: { ...fields, ...change.after } };
}

/** Whether a thing comes that was not there before, not even in the bin. */
const isNew = (change: Change) =>
  JSON.stringify(change.before) === JSON.stringify(entityOf(change.type).absent);
