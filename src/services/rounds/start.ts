import { IsBoolean, IsInt, Max, Min } from "class-validator";
import { MOST_IN_ROUND, MOST_JUDGES } from "@/core/appraise/rounds";
import { decisionOn, screeningAt } from "@/core/appraise/screening";
import { shareOut } from "@/core/appraise/share-out";
import { may } from "@/core/policy/abilities";
import { membersOf } from "@/data/queries/teams";
import type { Tx } from "@/data/database";
import { addShares, findRound, resourcesIn, type RoundRow } from "@/data/queries/rounds";
import { action } from "@/mechanism/action";
import { Id, Ids, MaybeId, MaybeIds, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { insideRound } from "./inside";

class StartRound {
  @Id() team: string;
  @MaybeId() round?: string;
  @Name("a title", 120) title: string;
  @Id() criteria: string;
  /** What is judged, in the order in which it is. */
  @MaybeIds(MOST_IN_ROUND) resources?: string[];
  /** Everything that stands in it, instead. */
  @MaybeId() collection?: string;
  /** Everything an earlier round of screening has not left out, instead. */
  @MaybeId() after?: string;
  /** Who judges. */
  @Ids(MOST_JUDGES) people: string[];
  /** How many of them judge each thing. */
  @IsInt() @Min(1) @Max(MOST_JUDGES) each: number;
  @IsBoolean() blind: boolean;
}

export const startRound = action({
  name: "rounds.start",
  about:
    "Shares things out among people of the team, who judge them by a set of criteria as it asks now: blind, or each seeing what the others think. An id sent twice starts one.",
  input: StartRound,
  allow: can.arrange("team"),
  locks: ({ input }) => ({
    collections: [input.collection],
    alive: input.resources ?? [],
    criteria: [input.criteria],
    rounds: [input.round, input.after],
  }),
  history: "start a round",
  run: async ({ input, scope, tx, locked, at, add }) => {
    const id = input.round ?? newId();
    const there = await findRound(tx, id);
    if (there && there.team !== scope.team) throw new Problem("id-taken");
    if (there) return { round: { id, title: there.title, things: 0 } };
    const set = locked.criteria(input.criteria);
    if (set.team !== scope.team) throw new Problem("not-found");
    if (set.deletedAt) throw new Problem("in-bin");
    if (input.collection) locked.mustBeOfTeam("collection", input.collection, input.team);
    const before = input.after ? locked.round(input.after) : null;
    if (before && before.team !== input.team) throw new Problem("not-found");
    if (before && before.state === "judging") throw new Problem("round-not-opened");
    const things = before
      ? await notLeftOut(tx, before)
      : input.collection
        ? await resourcesIn(tx, input.collection, MOST_IN_ROUND)
        : locked.resourcesOf(input.resources ?? [], input.team).map((one) => one.id);
    if (!things.length)
      throw fieldProblem(
        before ? "after" : input.collection ? "collection" : "resources",
        "nothing-to-judge",
      );
    const members = await membersOf(tx, input.team);
    const people = [...new Set(input.people)];
    const judges = (one: string) => may(members.find((its) => its.id === one)?.role ?? null, "bring");
    if (!people.length || !people.every(judges)) throw fieldProblem("people", "nobody-to-judge");
    if (input.each > people.length) throw fieldProblem("each", "too-few-to-judge");
    await add("round", {
      ...{ id, team: input.team, title: input.title, criteria: set.id, number: set.version },
      ...{ blind: input.blind, each: input.each, state: "judging", after: before?.id ?? null },
      ...{ createdBy: scope.person!, createdAt: at },
    });
    const shares = shareOut(things.length, people.length, input.each);
    await addShares(
      tx,
      things.flatMap((thing, position) =>
        shares[position]!.map((one) => ({ round: id, position, person: people[one]!, resource: thing })),
      ),
    );
    return { round: { id, title: input.title, things: things.length } };
  },
});

/** What a screening goes on with: what is in, and what nobody is sure of or agrees on yet, which whoever leaves out must say. */
async function notLeftOut(tx: Tx, round: RoundRow): Promise<string[]> {
  const { criteria, things } = await insideRound(tx, round, null);
  const at = screeningAt(criteria);
  if (at < 0) throw fieldProblem("after", "round-does-not-screen");
  return things
    .filter((thing) => decisionOn(thing, criteria[at]!, at).is !== "out")
    .map(({ resource }) => resource.id);
}
