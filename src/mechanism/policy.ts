import { type Ability, may, type Role, stronger } from "@/core/policy/abilities";
import { openedBy } from "@/core/publish/opens";
import type { Tx } from "@/data/database";
import { type Belonging, findBelonging, findTeamOfPicture, type Target } from "@/data/queries/belonging";
import { isSteward } from "@/data/queries/care";
import { findComment } from "@/data/queries/comments";
import { holderOf } from "@/data/queries/groups";
import { homesIn, isPictureIn, type Sight, sightOf } from "@/data/queries/guests";
import { findMark } from "@/data/queries/marks";
import { sharedUp } from "@/data/queries/sharing";
import { suggestionPageBy } from "@/data/queries/suggestions";
import { now } from "@/outside/clock";
import type { Actor } from "./actor";
import { Problem } from "./problem";

/** What was found while deciding: in which team, as what, and on whose behalf. */
export type Scope = {
  person: string | null;
  team: string | null;
  role: Role | null;
  /** Of a guest: what alone they see of the team. Whoever is in it sees all, and has none. */
  sight?: Sight;
  /**
   * Where it is allowed because they were let in: what they are there, and what they are in the whole team, null if
   * nothing. Whatever else is named goes by both; see `mechanism/sight.ts`.
   */
  reach?: { letIn: Sight; member: Role | null };
  /** What this one asks for, where it goes by more than the rule. */
  ability?: Ability;
  /** Who holds the card by which it is asked for. */
  holder?: Holder;
  /** Where something is suggested, by whoever has its address. */
  page?: NonNullable<Awaited<ReturnType<typeof suggestionPageBy>>>;
};

/** Somebody in a group, who has no account: their card is what they come by. */
export type Holder = { id: string; name: string; group: string; groupTitle: string };

/**
 * Decides whether an action may be done with this input, or throws a `Problem` that says why not. `ability` is what it
 * asks for of a member of the team, if that decides.
 */
export type Rule<I> = ((asked: { actor: Actor; input: I; tx: Tx }) => Promise<Scope>) & { ability?: Ability };

function inTeam(ability: Ability, options: { evenDeleted?: boolean } = {}) {
  return <T extends Target>(target: T): Rule<{ [K in T]: string }> => {
    const rule: Rule<{ [K in T]: string }> = async ({ actor, input, tx }) => {
      if (!actor.person) throw new Problem("not-signed-in");
      const found = await findBelonging(tx, target, input[target], actor.person.id);
      return judge(found, ability, actor.person.id, options.evenDeleted ?? false);
    };
    rule.ability = ability;
    return rule;
  };
}

/** What guests can be allowed something in: what stands in a collection, and of a team the part they see. */
type Open = "team" | "collection" | "section" | "placement" | "resource";

/**
 * The same, for guests too, by what they are where it stands. Nothing is theirs that does not say so here, and what is
 * allowed them gives and takes no more of the team than `Scope.sight` holds.
 */
function inTeamOrAsGuest(ability: "see" | "bring" | "arrange") {
  return <T extends Open>(target: T): Rule<{ [K in T]: string }> => {
    const rule: Rule<{ [K in T]: string }> = async ({ actor, input, tx }) => {
      if (!actor.person) throw new Problem("not-signed-in");
      const who = actor.person.id;
      const found = await findBelonging(tx, target, input[target], who);
      return orAsGuest(tx, target, input[target], found, ability, who);
    };
    rule.ability = ability;
    return rule;
  };
}

/** What somebody may do in a team by what is stronger, being in it or being let in where something stands. */
async function orAsGuest(
  tx: Tx,
  target: Open,
  id: string,
  found: Belonging | null,
  ability: Ability,
  who: string,
): Promise<Scope> {
  if (!found || may(found.role, ability)) return judge(found, ability, who, false);
  const sight = await sightOf(tx, who, found.team);
  const homes =
    target === "team"
      ? [...sight.keys()]
      : target === "collection"
        ? [id]
        : (await homesIn(tx, target, [id])).map((one) => one.collection);
  const asGuest = homes.reduce<Role | null>((role, home) => stronger(role, sight.get(home) ?? null), null);
  const scope = judge({ ...found, role: stronger(found.role, asGuest) }, ability, who, false);
  const reach = { letIn: sight, member: found.role };
  return found.role === null ? { ...scope, reach, sight } : { ...scope, reach };
}

function judge(found: Belonging | null, ability: Ability, person: string, evenDeleted: boolean): Scope {
  // To somebody who is no member, a thing of another team is not there.
  if (!found || found.role === null) throw new Problem("not-found");
  if (!may(found.role, ability)) throw new Problem("not-allowed");
  if (found.deleted && !evenDeleted) throw new Problem("in-bin");
  return { person, team: found.team, role: found.role };
}

/** @throws {Problem} when they are no steward */
async function stewardIn(tx: Tx, actor: Actor): Promise<string> {
  if (!actor.person) throw new Problem("not-signed-in");
  if (!(await isSteward(tx, actor.person.id))) throw new Problem("not-allowed");
  return actor.person.id;
}

/**
 * Who may do what. Every rule names the field of the input that says on what: `can.arrange("collection")` looks
 * at `input.collection`.
 */
export const can = {
  see: inTeam("see"),
  bring: inTeam("bring"),
  arrange: inTeam("arrange"),
  publish: inTeam("publish"),
  manage: inTeam("manage"),

  /** What guests may too, where they were let in. */
  seeHere: inTeamOrAsGuest("see"),
  bringHere: inTeamOrAsGuest("bring"),
  arrangeHere: inTeamOrAsGuest("arrange"),

  /** Bringing in: whoever is in the team anywhere, a guest into the collection it says. */
  bringIn: (): Rule<{ team: string; collection?: string }> => {
    const rule: Rule<{ team: string; collection?: string }> = async ({ actor, input, tx }) => {
      if (!actor.person) throw new Problem("not-signed-in");
      const { team, collection } = input;
      const who = actor.person.id;
      const found = await findBelonging(tx, "team", team, who);
      if (!collection) return judge(found, "bring", who, false);
      const there = may(found?.role ?? null, "bring")
        ? null
        : await findBelonging(tx, "collection", collection, who);
      return there && there.team === team
        ? orAsGuest(tx, "collection", collection, there, "bring", who)
        : judge(found, "bring", who, false);
    };
    rule.ability = "bring";
    return rule;
  },

  /** Restoring, where the thing is deleted of course. */
  restore: inTeam("arrange", { evenDeleted: true }),

  /** Doing away with for good, what lies in the bin too. */
  erase: inTeam("publish", { evenDeleted: true }),

  /** Marking for oneself whoever sees the thing, for the team whoever may bring things in. */
  annotate:
    (): Rule<{ resource: string; private: boolean }> =>
    async ({ actor, input, tx }) => {
      if (!actor.person) throw new Problem("not-signed-in");
      const ability = input.private ? "see" : "bring";
      const found = await findBelonging(tx, "resource", input.resource, actor.person.id);
      return {
        ...(await orAsGuest(tx, "resource", input.resource, found, ability, actor.person.id)),
        ability,
      };
    },

  /** Changing a mark: one's own private one, or any of the team. To others a private one is not there. */
  changeMark:
    ({ evenDeleted = false } = {}): Rule<{ mark: string }> =>
    async ({ actor, input, tx }) => {
      if (!actor.person) throw new Problem("not-signed-in");
      const found = await findMark(tx, input.mark, actor.person.id);
      if (!found || (found.private && found.person !== actor.person.id)) throw new Problem("not-found");
      const ability = found.private ? "see" : "bring";
      const deleted = found.resourceDeletedAt !== null || found.deletedAt !== null;
      const who = actor.person.id;
      if (may(found.role, ability) || deleted)
        return { ...judge({ ...found, deleted }, ability, who, evenDeleted), ability };
      return {
        ...(await orAsGuest(tx, "resource", found.resource, { ...found, deleted }, ability, who)),
        ability,
      };
    },

  /** Something that was said: whoever sees it. What each of them may do with it goes by whose it is. */
  seeComment:
    (): Rule<{ comment: string }> =>
    async ({ actor, input, tx }) => {
      if (!actor.person) throw new Problem("not-signed-in");
      const found = await findComment(tx, input.comment, actor.person.id);
      const ability = "see" as const;
      const belonging = found && { ...found, deleted: false };
      return {
        ...(await orAsGuest(tx, "collection", found?.home ?? "", belonging, ability, actor.person.id)),
        ability,
      };
    },

  /** Anybody who is signed in, for what is their own. */
  beSignedIn:
    (): Rule<object> =>
    async ({ actor }) => {
      if (!actor.person) throw new Problem("not-signed-in");
      return { person: actor.person.id, team: null, role: null };
    },

  /** Who looks after the installation as a whole. */
  steward:
    (): Rule<object> =>
    async ({ actor, tx }) => ({ person: await stewardIn(tx, actor), team: null, role: null }),

  /** The same, for a collection of whatever team: they see and change nothing of it but whether it is hidden. */
  stewardOf:
    (): Rule<{ collection: string }> =>
    async ({ actor, input, tx }) => {
      const person = await stewardIn(tx, actor);
      const found = await findBelonging(tx, "collection", input.collection, person);
      if (!found || found.deleted) throw new Problem("not-found");
      return { person, team: found.team, role: null };
    },

  /** Everybody; what is asked for protects itself, by a code nobody guesses. */
  ask:
    (): Rule<object> =>
    async ({ actor }) => ({ person: actor.person?.id ?? null, team: null, role: null }),

  /** Whoever brings a card that holds, for what was given to its holder and to nobody else. */
  holdCard:
    (): Rule<{ card: string }> =>
    async ({ input, tx }) => {
      // Nobody guesses 76 bits; a class behind one address goes on asking with cards that were renewed.
      const found = await holderOf(tx, input.card);
      if (!found) throw new Problem("card-ended");
      const { team, ...holder } = found;
      return { person: null, team, role: null, holder };
    },

  /**
   * Whoever has the address of a page for suggestions. They come as somebody with a name they give, whoever is signed in:
   * a team hears no more of them than they say.
   */
  suggest:
    (): Rule<{ page: string }> =>
    async ({ input, tx }) => {
      const page = await suggestionPageBy(tx, "link", input.page);
      if (!page || page.gone) throw new Problem("suggestions-ended");
      return { person: null, team: page.team, role: null, page };
    },

  /** Members of a team in which some resource has this picture, and guests of where it stands. */
  seePicture:
    (): Rule<{ hash: string }> =>
    async ({ actor, input, tx }) => {
      if (!actor.person) throw new Problem("not-signed-in");
      const person = actor.person.id;
      const found = await findTeamOfPicture(tx, input.hash, person);
      if (found) return { person, ...found };
      const sight = await sightOf(tx, person);
      if (!(await isPictureIn(tx, input.hash, [...sight.keys()]))) throw new Problem("not-found");
      return { person, team: null, role: null, sight };
    },

  /** Members, and whoever the collection is shared with. */
  read:
    (): Rule<{ collection: string }> =>
    async ({ actor, input, tx }) => {
      if (actor.person) {
        const found = await findBelonging(tx, "collection", input.collection, actor.person.id);
        if (found && !found.deleted && may(found.role, "see"))
          return { person: actor.person.id, team: found.team, role: found.role };
      }
      const shared = openedBy(await sharedUp(tx, input.collection), actor.share, now());
      if (!shared) throw new Problem("not-found");
      return { person: actor.person?.id ?? null, team: shared.team, role: null };
    },
};
