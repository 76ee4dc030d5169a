import { sql } from "drizzle-orm";
import type { Difference, Facet } from "@/core/search/counted";
import type { Tx } from "../database";
import { facetCount, resourceTag } from "../schema";
import { compare, inParts, rowsOf } from "../sql/by-keys";
import { queryRows } from "../sql/query-rows";

/** How many there are of a value. */
export type Valued = { value: string; n: number };

const COLUMNS = ["facet VARCHAR(10)", "value VARCHAR(255)", "n INT"];

/** Adds to the counts of a team; whoever does so has locked its index. */
export async function addToCounts(tx: Tx, team: string, all: readonly Difference[]): Promise<void> {
  await inParts(all, async (part) => {
    const rows = rowsOf(
      part.map(({ facet, value, by }) => [facet, value, by]),
      COLUMNS,
    );
    await tx.execute(sql`
      INSERT INTO ${facetCount} (team, facet, value, n) SELECT ${team}, j.facet, j.value, j.n FROM ${rows}
      ON DUPLICATE KEY UPDATE n = ${facetCount}.n + VALUES(n)`);
    const fewer = part.filter(({ by }) => by < 0);
    if (!fewer.length) return;
    const keys = rowsOf(
      fewer.map(({ facet, value }) => [facet, value, 0]),
      COLUMNS,
    );
    await tx.execute(sql`
      DELETE c FROM ${keys} STRAIGHT_JOIN ${facetCount} c FORCE INDEX (PRIMARY)
        ON c.team = ${team} AND c.facet = CONVERT(j.facet USING ascii) AND c.value = j.value WHERE c.n = 0`);
  });
}

/**
 * What is counted of a team, as its index has been fed.
 * @param most of each facet so many values, the most frequent first
 */
export async function keptCounts<F extends Facet>(
  tx: Tx,
  team: string,
  most: Readonly<Record<F, number>>,
): Promise<Record<F, Valued[]>> {
  const facets = Object.keys(most) as F[];
  const selects = facets.map(
    (facet) => sql`(SELECT facet, value, n FROM ${facetCount}
      WHERE team = ${team} AND facet = ${facet} ORDER BY n DESC, value DESC LIMIT ${most[facet]})`,
  );
  const rows = await queryRows<Valued & { facet: F }>(tx, sql.join(selects, sql` UNION ALL `));
  const counts = Object.fromEntries(facets.map((facet) => [facet, [] as Valued[]])) as Record<F, Valued[]>;
  for (const { facet, value, n } of rows) counts[facet].push({ value, n: Number(n) });
  for (const facet of facets) counts[facet].sort((a, b) => b.n - a.n || compare(a.value, b.value));
  return counts;
}

/** When each tag of a team was last put on something; one look into the index for each tag. */
export async function tagsLast(tx: Tx, team: string): Promise<Map<string, Date>> {
  const rows = await tx
    .select({
      tag: resourceTag.tag,
      last: sql<Date>`max(${resourceTag.createdAt})`.mapWith(resourceTag.createdAt),
    })
    .from(resourceTag)
    .where(sql`${resourceTag.team} = ${team}`)
    // By the team too, though there is one: only so does MariaDB look once for each tag instead of at every link.
    .groupBy(resourceTag.team, resourceTag.tag);
  return new Map(rows.map(({ tag, last }) => [tag, last]));
}
