import { sql } from "drizzle-orm";
import { Postings } from "@/core/search/postings";
import type { Tx } from "../database";
import { termBlock, termPosting } from "../schema";
import { listed } from "./by-keys";

type Row = { term: string; resource: string | null; weight: number; pack: Uint8Array | null };

/**
 * The lists of these terms in a team, with what changed since they were packed. One statement, so that nothing is read
 * twice or not at all while somebody packs.
 */
export async function readPostings(
  tx: Tx,
  team: string,
  terms: readonly string[],
): Promise<Map<string, Postings>> {
  if (!terms.length) return new Map();
  const those = sql`team = ${team} AND term IN (${listed(terms)})`;
  const [rows] = (await tx.execute(sql`
    SELECT term, NULL AS resource, 0 AS weight, pack FROM ${termBlock} WHERE ${those}
    UNION ALL SELECT term, resource, weight, NULL FROM ${termPosting} WHERE ${those}`)) as unknown as [Row[]];
  const lists = new Map<string, { packs: Uint8Array[]; changes: { resource: string; weight: number }[] }>();
  for (const { term, resource, weight, pack } of rows) {
    let list = lists.get(term);
    if (!list) lists.set(term, (list = { packs: [], changes: [] }));
    if (pack) list.packs.push(pack);
    else if (resource) list.changes.push({ resource, weight });
  }
  return new Map(
    [...lists].map(([term, { packs, changes }]) => [term, Postings.read(packs).with(Postings.of(changes))]),
  );
}
