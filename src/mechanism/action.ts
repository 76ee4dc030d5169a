import type { Change } from "@/core/history/change";
import type { Tx } from "@/data/database";
import { isAway, isDuplicate, isLost, patiently, Unknown } from "@/data/transaction";
import type { Actor } from "./actor";
import { changing, database } from "./changing";
import type { ChangeSet } from "./change-set";
import { checkInput, type InputClass } from "./input";
import { Locked, type Locks, takeLocks } from "./locks";
import type { Rule, Scope } from "./policy";
import { Problem } from "./problem";
import { told } from "./sight";
import { isWithin } from "@/core/policy/paired";

/** What `run` of an action gets. Its verbs write, count, tell and keep for undo in one call; see `ChangeSet`. */
export type Running<I> = {
  input: I;
  actor: Actor;
  scope: Scope;
  tx: Tx;
  /** What the action locks, as it is until the end. */
  locked: Locked;
  /** The time of everything the action does. */
  at: Date;
  /** All the verbs, to be handed on to what several actions share. */
  set: ChangeSet;
} & Pick<ChangeSet, "add" | "change" | "remove" | "restore" | "enqueue" | "emit">;

/** What `run` of a reading gets. */
export type Reading<I> = Pick<Running<I>, "input" | "actor" | "scope" | "tx">;

type Common<I extends object> = {
  /** `<folder>.<file>` under src/services. */
  name: string;
  /** One sentence for the description of the interface. */
  about: string;
  input: InputClass<I>;
  allow: Rule<I>;
};

export type Definition<I extends object, O extends object> = Common<I> & {
  /** What undo calls it, to follow "Undo: "; null when nothing of it is taken back. */
  /** What it decides by or changes. It is locked before it is decided whether it may be done, and what. */
  locks: Locks<I>;
  /** Counts it against a limit, before a connection is taken: who waits for one must not hold another. */
  counted?: (input: I, actor: Actor) => Promise<void>;
  history: string | ((done: { input: I; changes: readonly Change[] }) => string) | null;
  run: (running: Running<I>) => Promise<O>;
};

export type Action<I extends object = object, O = unknown> = Common<I> & {
  kind: "change" | "read";
  /** Input and permission only, as `call` checks them first. */
  decide: (actor: Actor, raw: unknown) => Promise<Scope>;
  call: (actor: Actor, raw: unknown) => Promise<O>;
};

/** How a change is taken back: the id of its entry in the person's history, or null when there is nothing to take back. */
export type Undoable = { entry: string | null };

async function decide<I extends object>(definition: Common<I>, actor: Actor, raw: unknown, tx: Tx) {
  mustBeWithin(actor, definition.name);
  const input = checkInput(definition.input, raw);
  return { input, scope: await definition.allow({ actor, input, tx }) };
}

/** The same, then once more with everything locked that it is decided by: others may have been there in between. */
async function decideLocked<I extends object>(
  definition: Common<I> & { locks: Locks<I> },
  actor: Actor,
  raw: unknown,
  tx: Tx,
) {
  const first = await decide(definition, actor, raw, tx);
  const wanted = definition.locks?.(first);
  if (!wanted) return { ...first, locked: NOTHING };
  const locked = await takeLocks(tx, first.scope, wanted);
  return { input: first.input, scope: await definition.allow({ actor, input: first.input, tx }), locked };
}
const NOTHING = new Locked({
  collection: new Map(),
  section: new Map(),
  placement: new Map(),
  resource: new Map(),
  mark: new Map(),
  comment: new Map(),
  group: new Map(),
  learner: new Map(),
  handout: new Map(),
  suggestion: new Map(),
  criteria: new Map(),
  round: new Map(),
  searchRecord: new Map(),
});

/**
 * Defines something people can do. Whatever calls it, the steps are the same: input checked, one
 * transaction: what it is decided by locked, allowed?, `run` changes things, with events, jobs and what can be taken back, and whoever waits woken.
 * The answer carries, beside what `run` gives, the `entry` by which it can be taken back.
 *
 * @example
 * export const renameCollection = action({
 *   name: "collections.rename",
 *   about: "Gives a collection another title.",
 *   input: RenameCollection,
 *   allow: can.arrange("collection"),
 *   locks: ({ input }) => ({ collections: [input.collection] }),
 *   history: "rename the collection",
 *   run: async ({ input, locked, change }) => {
 *     const before = locked.collection(input.collection);
 *     await change("collection", before, { title: input.title });
 *     return { collection: { ...before, title: input.title } };
 *   },
 * });
 */
export function action<I extends object, O extends object>(
  definition: Definition<I, O>,
): Action<I, O & Undoable> & { kind: "change" } {
  const { history } = definition;
  return {
    ...definition,
    kind: "change",
    decide: async (actor, raw) => (await decide(definition, actor, raw, database())).scope,
    call: async (actor, raw) => {
      // Before a connection is taken.
      await definition.counted?.(checkInput(definition.input, raw), actor);
      const { result, entry } = await changing(async (tx, begin) => {
        const { input, scope, locked } = await decideLocked(definition, actor, raw, tx);
        const set = begin({ team: scope.team, person: scope.person });
        const result = told(
          scope,
          await definition.run({
            input,
            actor,
            scope,
            tx,
            locked,
            at: set.at,
            set,
            add: set.add.bind(set),
            change: set.change.bind(set),
            remove: set.remove.bind(set),
            restore: set.restore.bind(set),
            emit: set.emit.bind(set),
            enqueue: set.enqueue.bind(set),
          }),
        );
        const words = typeof history === "function" ? history({ input, changes: set.changes }) : history;
        const ability = scope.ability ?? definition.allow.ability;
        return { result, history: words !== null && ability ? { words, ability } : null };
      }).catch(sayWhy);
      return { ...result, entry };
    },
  };
}

/** What others at the same moment are the reason of is no fault: it is said, and nothing was changed. */
function sayWhy(error: unknown): never {
  if (error instanceof Unknown) throw new Problem("outcome-unknown");
  if (isAway(error)) throw new Problem("database-away");
  if (isLost(error)) throw new Problem("many-at-once");
  // At the second look it would have been found, if it were of this team.
  if (isDuplicate(error)) throw new Problem("id-taken");
  throw error;
}

/** Defines something people can look at: the same input and policy, and no transaction. */
export function reading<I extends object, O>(
  definition: Common<I> & { run: (running: Reading<I>) => Promise<O> },
): Action<I, O> & { kind: "read" } {
  return {
    ...definition,
    kind: "read",
    decide: async (actor, raw) => (await decide(definition, actor, raw, database())).scope,
    call: async (actor, raw) => {
      const tx = database();
      // Looking twice changes nothing.
      return patiently(async () => {
        const decided = await decide(definition, actor, raw, tx);
        return told(decided.scope, await definition.run({ ...decided, actor, tx }));
      }).catch(sayWhy);
    },
  };
}

/** So long a paired extension can take back what it has brought in, in milliseconds. */
const TAKEN_BACK_WITHIN = 3_600_000;

/**
 * What a paired browser takes out is what its person brought in, a short while ago: a browser somebody got hold of
 * deletes nothing that others made.
 * @throws {Problem} only-captures
 */
export function mustBeOwnAndFresh(
  actor: Actor,
  { addedBy, createdAt }: { addedBy: string; createdAt: Date },
  at: Date,
): void {
  const own = addedBy === actor.person?.id && at.getTime() - createdAt.getTime() < TAKEN_BACK_WITHIN;
  if (actor.only && !own) throw new Problem("only-captures");
}

/** @throws {Problem} not-allowed, when the actor's token is not for this */
function mustBeWithin(actor: Actor, name: string): void {
  if (actor.only && !isWithin(actor.only, name))
    throw new Problem(actor.only === "marks" ? "only-marks" : "only-captures");
}
