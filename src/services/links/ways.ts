import { findWatch, leadingOut, placementsStanding, servingTheSame } from "@/data/queries/links";
import type { Tx } from "@/data/database";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { alikeOf } from "../search/alike";

/** So many other things are offered in its place. */
const OTHERS = 5;
/** From this part of what its own telling words count on, something says much the same. */
const ALIKE = 0.3;

class ReadWays {
  @Id() resource: string;
}

export const readWays = reading({
  name: "links.ways",
  about:
    "The ways to mend what leads to an address: where its page may stand now, an archive's copy, the copy that is kept here, and other things of the catalogue that serve the same outcomes or say much the same.",
  input: ReadWays,
  allow: can.see("resource"),
  run: async ({ input: { resource }, scope, tx }) => {
    const [row, places] = await Promise.all([findWatch(tx, resource), placementsStanding(tx, resource)]);
    const others = await othersFor(tx, scope.team!, resource, !!row?.origin);
    const ways = row?.watch.ways ?? [];
    return {
      ways,
      /** When it was looked for last; null: never. */
      soughtAt: row?.watch.soughtAt ?? null,
      /** The copy that is kept here, and at how many of its places readers can have it; null: none is kept. */
      copy: row?.origin
        ? { places: places.length, given: places.filter((one) => one.givesCopy).length }
        : null,
      // What was found on its site may be known here.
      others: others.filter(({ address }) => !ways.some((way) => way.address === address)),
    };
  },
});

/** What could stand there instead: first what serves the same outcomes, then what says much the same. */
async function othersFor(tx: Tx, team: string, resource: string, hasText: boolean) {
  const serving = (await servingTheSame(tx, resource, OTHERS)).map((one) => ({
    ...one,
    why: "serves" as const,
  }));
  // A title alone says too little to be said by something else, too.
  const found = hasText && serving.length < OTHERS ? await alikeOf(tx, team, resource) : null;
  const near = (found?.alike ?? []).filter(({ score }) => score >= ALIKE * found!.own).map(({ id }) => id);
  const known = new Map((await leadingOut(tx, near)).map((one) => [one.resource, one] as const));
  const alike = near
    .filter((id) => !serving.some((one) => one.resource === id))
    .flatMap((id) => known.get(id) ?? [])
    .map((one) => ({ ...one, serves: "", why: "alike" as const }));
  return [...serving, ...alike].slice(0, OTHERS);
}
