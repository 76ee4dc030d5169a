import { openDatabase, type Tx } from "@/data/database";
import type { Ability } from "@/core/policy/abilities";
import type { Change } from "@/core/undo/change";
import { type DeedRow, keepDeed } from "@/data/queries/deeds";
import { writeEvents } from "@/data/queries/events";
import { addJobs, type NewJob } from "@/data/queries/jobs";
import { transact } from "@/data/transaction";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { settings } from "@/outside/settings";
import { signal } from "@/outside/signals";
import type { Actor } from "./actor";
import { Problem } from "./problem";
import { checkInput, type InputClass } from "./input";
import type { Rule, Scope } from "./policy";

/** What happened, as an action tells it; team, actor and time are known already. */
export type Happening = {
  subject: string;
  collection?: string | null;
  verb?: string;
  data?: Record<string, unknown>;
};

export type Running<I> = {
  input: I;
  actor: Actor;
  scope: Scope;
  tx: Tx;
  /** Notes what happened; written with the change itself. */
  tell: (happening: Happening) => void;
  /** Puts work for later in the queue; it is there only if the change is. */
  later: (job: NewJob) => void;
  /**
   * Notes what was changed, so that the person can take it back; nulls are left out, and no change is no deed.
   * @returns the id of the deed, to undo just this one
   */
  did: (words: string, changes: readonly (Change | null)[], ability?: Ability) => string | null;
};

export type Definition<I extends object, O> = {
  name: string;
  /** One sentence for the description of the interface. */
  about: string;
  input: InputClass<I>;
  allow: Rule<I>;
  run: (running: Running<I>) => Promise<O>;
};

export type Action<I extends object = object, O = unknown> = Omit<Definition<I, O>, "run"> & {
  kind: "change" | "read";
  /** Input and permission only, as `call` checks them first. */
  decide: (actor: Actor, raw: unknown) => Promise<Scope>;
  call: (actor: Actor, raw: unknown) => Promise<O>;
};

export const database = () => openDatabase(settings().databaseUrl);

/**
 * Defines something people can do. Whatever calls it, the steps are the same: input checked, allowed?, one
 * transaction in which `run` changes things, the events and jobs written with it, and whoever waits told.
 *
 * @example
 * export const renameTeam = action({
 *   name: "teams.rename",
 *   about: "Gives a team another name.",
 *   input: RenameTeam,
 *   allow: can.manage("team"),
 *   run: async ({ input, tx }) => { … },
 * });
 */
export function action<I extends object, O>(definition: Definition<I, O>): Action<I, O> {
  const decide = async (actor: Actor, raw: unknown, tx: Tx = database()) => {
    mustBeWithin(actor, definition.name);
    const input = checkInput(definition.input, raw);
    return { input, scope: await definition.allow({ actor, input, tx }) };
  };
  return {
    ...definition,
    kind: "change",
    decide: async (actor, raw) => (await decide(actor, raw)).scope,
    call: async (actor, raw) => {
      checkInput(definition.input, raw); // before a connection is taken
      let told = 0;
      let queued = 0;
      const answer = await transact(database(), async (tx) => {
        const { input, scope } = await decide(actor, raw, tx);
        const happenings: Happening[] = [];
        const jobs: NewJob[] = [];
        const deeds: DeedRow[] = [];
        const answer = await definition.run({
          input,
          actor,
          scope,
          tx,
          tell: (h) => happenings.push(h),
          later: (j) => jobs.push(j),
          did: (words, all, ability = "arrange") => {
            const changes = all.filter((change) => change !== null);
            if (!changes.length || !scope.person || !scope.team) return null;
            const common = {
              team: scope.team,
              person: scope.person,
              state: "done" as const,
              createdAt: now(),
            };
            deeds.push({ id: newId(), words: words.slice(0, 200), ability, changes, ...common });
            return deeds.at(-1)!.id;
          },
        });
        for (const row of deeds) await keepDeed(tx, row);
        await addJobs(tx, jobs);
        if (scope.team)
          await writeEvents(
            tx,
            happenings.map((h) => asEvent(h, scope.team!, actor, definition.name)),
          );
        told = happenings.length;
        queued = jobs.length;
        return answer;
      });
      if (told) signal("events");
      if (queued) signal("jobs");
      return answer;
    },
  };
}

/** Defines something people can look at: the same input and policy, and no transaction. */
export function reading<I extends object, O>(
  definition: Omit<Definition<I, O>, "run"> & {
    run: (running: Omit<Running<I>, "tell" | "later" | "did">) => Promise<O>;
  },
): Action<I, O> {
  const decide = async (actor: Actor, raw: unknown) => {
    mustBeWithin(actor, definition.name);
    const input = checkInput(definition.input, raw);
    return { input, scope: await definition.allow({ actor, input, tx: database() }) };
  };
  return {
    ...definition,
    kind: "read",
    decide: async (actor, raw) => (await decide(actor, raw)).scope,
    call: async (actor, raw) => definition.run({ ...(await decide(actor, raw)), actor, tx: database() }),
  };
}

/** What a paired extension may do: bring in, and read what its window needs. */
const FOR_CAPTURE = new Set([
  "capture.address",
  "capture.file",
  "capture.note",
  "capture.page",
  "collections.sections",
  "collections.tree",
  "events.recent",
  "files.begin",
  "intakes.add-lines",
  "intakes.read",
  "intakes.set",
  "intakes.stage",
  "placements.remove",
  "resources.known",
  "resources.remove",
  "tags.add",
  "tags.read",
  "teams.read",
  "tray.set",
]);

function mustBeWithin(actor: Actor, name: string): void {
  if (actor.only === "capture" && !FOR_CAPTURE.has(name))
    throw new Problem("not-allowed", "This access only brings things in.");
}

/** A happening with everything an event needs. */
export function asEvent(happening: Happening, team: string, actor: Actor | null, verb: string) {
  return {
    id: newId(),
    at: now(),
    team,
    collection: happening.collection ?? null,
    actor: actor?.person?.id ?? null,
    verb: happening.verb ?? verb,
    subject: happening.subject,
    data: happening.data ?? {},
  };
}
