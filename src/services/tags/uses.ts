import type { Tx } from "@/data/database";
import { countUses, type TagUse, tagMonths, tagNames, withNames } from "@/data/queries/tags";
import { keptCounts, tagsLast } from "@/data/search/kept-counts";
import { isQueued } from "@/data/search/reindex-queue";
import { countIndexed } from "@/data/search/terms";
import { countedAnew } from "../search/counted-anew";

/** More tags than any team has. */
const ALL = 100_000;

/** Tags of a team with their use and when they were last put on something, the most used first. */
export async function tagUses(tx: Tx, team: string, most = 2_000) {
  const [names, indexed] = await Promise.all([tagNames(tx, team), countIndexed(tx, team)]);
  const uses = countedAnew(indexed) ? await countUses(tx, team) : await keptUses(tx, team);
  return withNames(names, uses).slice(0, most);
}

async function keptUses(tx: Tx, team: string): Promise<TagUse[]> {
  const [counts, last] = await Promise.all([keptCounts(tx, team, { tag: ALL }), tagsLast(tx, team)]);
  return counts.tag.map(({ value, n }) => ({ tag: value, count: n, last: last.get(value) ?? null }));
}

/** Whether something happened that these counts may not have yet. */
export const areBehind = async (tx: Tx, team: string): Promise<boolean> =>
  !countedAnew(await countIndexed(tx, team)) && (await isQueued(tx, team));

/** How often any of a team's tags were put on something that is not in the bin, by month. */
export async function monthsOfTags(tx: Tx, team: string, since: Date): Promise<Map<string, number>> {
  if (countedAnew(await countIndexed(tx, team))) return tagMonths(tx, team, null, since);
  const { tagged } = await keptCounts(tx, team, { tagged: ALL });
  const first = since.toISOString().slice(0, 7);
  return new Map(tagged.filter(({ value }) => value >= first).map(({ value, n }) => [value, n]));
}
