import { looksLike, skeletonOf } from "@/core/names/look-alike";
import { groupBy } from "@/core/list/group-by";
import type { Tx } from "@/data/database";
import { type Named, namesBeside, namesOfPublicTeams, namesOnPages } from "@/data/queries/public-names";
import { fieldProblem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { cachedFor } from "../search/cached-for";

/** Public names by what they look like; they may be a minute old. */
const KEPT = 60_000;
const bySkeleton = (all: readonly Named[]) => groupBy(all, (one) => skeletonOf(one.name));
const teams = cachedFor(KEPT, async (tx) => bySkeleton(await namesOfPublicTeams(tx, now())));
const people = cachedFor(KEPT, async (tx) => bySkeleton(await namesOnPages(tx)));

type Own = { id: string | null; name: string };

/**
 * Refuses a name that is another public team's in look-alike letters; the same name plainly is nobody's alone.
 * @param own whose name it is to be
 * @param field beside which it is said
 * @throws {Problem} look-alike
 */
export async function tellTeamApart(tx: Tx, own: Own, field: string): Promise<void> {
  refuse(own, (await teams(tx, "")).get(skeletonOf(own.name)) ?? [], field, "team");
}

/** The same for a person's: of those with a public page, and those they share a team with. */
export async function tellPersonApart(tx: Tx, own: Own, field: string): Promise<void> {
  const known = (await people(tx, "")).get(skeletonOf(own.name)) ?? [];
  refuse(own, [...known, ...(own.id ? await namesBeside(tx, own.id) : [])], field, "person");
}

function refuse({ id, name }: Own, all: readonly Named[], field: string, what: "team" | "person"): void {
  const other = all.find((one) => one.id !== id && looksLike(name, one.name));
  if (other)
    throw fieldProblem(
      field,
      "look-alike",
      `“${name}” looks like “${other.name}”, the name of another ${what} here, and some of its letters are others. Choose one that can be told from it.`,
    );
}
