import { sql } from "drizzle-orm";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { as, fillCatalogue, fillCollection } from "./fill";
import { type Figure, median, timed } from "./figures";
import { feedAll } from "./texts";

const SIZES = [1_000, 100_000, 1_000_000] as const;
/** Each is done so often in each team, by turns; the first ones warm up. */
const ROUNDS = 60;
const WARMING = 10;
/** So much longer it may take in the largest team than in the smallest, and so many milliseconds more where that is little. */
const MORE = 1.2;
const LITTLE = 1;

/** What is found is counted up to a thousand, and among a thousand there are not as many: these are held against the second. */
const FROM_SECOND = new Set(["those of one kind", "those with one tag"]);

type Team = { team: string; collection: string; resources: readonly string[] };

/** What people do all day, in teams of a thousand, a hundred thousand and a million resources. */
export async function* measureGrowth(actor: Actor): AsyncGenerator<Figure> {
  const teams: Team[] = [];
  for (const size of SIZES) {
    const { team } = await as(actor, "teams.make", { name: `Grown to ${size}` });
    const ids = await fillCatalogue(actor, team.id, size);
    const resources = ids.slice(0, 50);
    await feedAll(team.id, ids);
    const collection = await fillCollection(actor, team.id, "Fifty of them", resources);
    await as(actor, "tray.set-many", { team: team.id, resources: ids.slice(50, 100), state: "waiting" });
    teams.push({ team: team.id, collection, resources });
  }
  await database().execute(
    sql`ANALYZE TABLE resource, placement, resource_tag, tag, collection, term_stat, term_block, facet_count, event`,
  );
  const doings: Record<string, (team: Team, i: number) => Promise<unknown>> = {
    "the newest of the catalogue": ({ team }) => as(actor, "search.find", { team, query: "" }),
    "those of one kind": ({ team }) => as(actor, "search.find", { team, query: "kind:video" }),
    "those with one tag": ({ team }, i) => as(actor, "search.find", { team, query: `tag:"subject ${i}"` }),
    "counts of the whole catalogue": ({ team }) => as(actor, "search.facets", { team, query: "" }),
    "the tags with their use": ({ team }) => as(actor, "tags.read", { team }),
    "the Tags page": ({ team }) => as(actor, "tags.tend", { team }),
    "the collections": ({ team }) => as(actor, "collections.tree", { team }),
    "a collection of 50": ({ collection }) => as(actor, "collections.read", { collection }),
    "the Tray": ({ team }) => as(actor, "tray.read", { team }),
    "bringing in an address": ({ team }) =>
      as(actor, "capture.address", { team, address: `https://grown.example/${newId()}` }),
    "mending a title": ({ resources }, i) =>
      as(actor, "resources.edit", { resource: resources[i % 50]!, title: `Another title ${i}` }),
  };
  for (const [what, work] of Object.entries(doings)) {
    const took = SIZES.map((): number[] => []);
    for (let i = 0; i < ROUNDS; i++)
      for (const [n, team] of teams.entries()) {
        const time = await timed(() => work(team, i));
        if (i >= WARMING) took[n]!.push(time);
      }
    const medians = took.map(median);
    const [least, most] = [medians[FROM_SECOND.has(what) ? 1 : 0]!, medians.at(-1)!];
    yield {
      what: `Among 1,000, 100,000 and 1,000,000 resources of one team: ${what}, median of ${ROUNDS - WARMING}`,
      measured: `${medians.map((one) => one.toFixed(1)).join(", ")} ms (${(most / least).toFixed(2)})`,
      aim: `at most ${MORE}${FROM_SECOND.has(what) ? " from the second on, as it counts up to a thousand" : ""}, or ${LITTLE} ms more`,
      met: most <= least * MORE || most <= least + LITTLE,
    };
  }
}
