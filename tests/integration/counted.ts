import type { Facets } from "@/core/search/facets";
import { countWhole, keptFacets } from "@/data/search/count-facets";
import { isQueued } from "@/data/search/reindex-queue";
import { database } from "@/mechanism/changing";
import { feedSome } from "@/services/search/feed";

/**
 * What the counts that are kept by difference say otherwise than counting everything anew does, once all is fed.
 * @returns a line each; none when they agree
 */
export async function countedOtherwise(team: string): Promise<string[]> {
  while (await isQueued(database(), team)) await feedSome(team);
  const [kept, anew] = [
    linesOf(await keptFacets(database(), team)),
    linesOf(await countWhole(database(), team)),
  ];
  return [
    ...kept.filter((line) => !anew.includes(line)).map((line) => `kept ${line}`),
    ...anew.filter((line) => !kept.includes(line)).map((line) => `counted ${line}`),
  ];
}

const linesOf = (facets: Facets): string[] =>
  Object.entries(facets).flatMap(([facet, counts]) =>
    counts.map(({ value, words, count }) => `${facet} ${value} (${words}): ${count}`),
  );
