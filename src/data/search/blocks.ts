import { queryRows } from "../sql/query-rows";
import { type SQL, sql } from "drizzle-orm";
import { groupBy } from "@/core/list/group-by";
import { type Block, workIn } from "@/core/search/blocks";
import { Postings } from "@/core/search/postings";
import { LONGEST_TERM } from "@/core/search/runs";
import type { Tx } from "../database";
import { termBlock, termStat } from "../schema";
import { compare, inParts, keysFirst, rowsOf } from "../sql/by-keys";

const TEXT = `VARCHAR(${LONGEST_TERM}) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin`;
/** A term as a column of a table of JSON. */
export const TERM = `term ${TEXT}`;
const HEX = "CHAR(32) CHARACTER SET ascii COLLATE ascii_bin";
const hex = (id: string) => id.replaceAll("-", "");

/** What shall be different in the list of a term. */
export type TermChanges = { term: string; word: string; changes: Postings };

/**
 * Works changes into the packed lists of a team and their counts. Whoever calls holds the team's index.
 * @param all each term once
 */
export async function packInto(tx: Tx, team: string, all: readonly TermChanges[]): Promise<void> {
  const blocks = await blocksAt(tx, team, all);
  const written: [term: string, start: string, pack: string][] = [];
  const gone: [term: string, start: string][] = [];
  const counts: [term: string, df: number, word: string][] = [];
  for (const { term, word, changes } of all) {
    const after = workIn(blocks.get(term) ?? [], changes);
    for (const { start, postings } of after.written)
      written.push([term, hex(start), Buffer.from(postings.pack()).toString("base64")]);
    for (const start of after.gone) gone.push([term, hex(start)]);
    if (after.written.length || after.gone.length) counts.push([term, after.grown, word]);
  }
  const byKey = (a: readonly [string, ...unknown[]], b: readonly [string, ...unknown[]]) =>
    compare(a[0], b[0]) || compare(String(a[1]), String(b[1]));
  // Each waits for the one before it: had that one lost its transaction, those behind it would be written without one.
  await inParts(written.sort(byKey), (rows) =>
    tx.execute(sql`
      INSERT INTO ${termBlock} (team, term, start, pack)
      SELECT ${team}, j.term, UNHEX(j.start), FROM_BASE64(j.pack)
      FROM ${rowsOf(rows, [TERM, `start ${HEX}`, "pack TEXT CHARACTER SET ascii"])}
      ON DUPLICATE KEY UPDATE pack = VALUES(pack)`),
  );
  await inParts(gone, (rows) =>
    tx.execute(sql`
      DELETE b FROM ${rowsOf(rows, [TERM, `start ${HEX}`])} STRAIGHT_JOIN ${termBlock} b FORCE INDEX (PRIMARY)
      ON b.team = ${team} AND b.term = j.term AND b.start = UNHEX(j.start)`),
  );
  await inParts(counts.sort(byKey), (rows) =>
    tx.execute(sql`
      INSERT INTO ${termStat} (team, term, df, word, version)
      SELECT ${team}, j.term, j.df, j.word, UUID() FROM ${rowsOf(rows, [TERM, "df INT", `word ${TEXT}`])}
      ON DUPLICATE KEY UPDATE df = ${termStat}.df + VALUES(df), version = VALUES(version)`),
  );
  // The row of the empty term is what the index is locked by; it stays.
  const fallen = counts.filter(([term, grown]) => grown < 0 && term).map(([term]) => term);
  await inParts(fallen, (terms) =>
    tx.execute(sql`
      DELETE s FROM ${keysFirst(terms)} STRAIGHT_JOIN ${termStat} s FORCE INDEX (PRIMARY)
      ON s.team = ${team} AND s.term = k.k WHERE s.df <= 0`),
  );
}

type BlockRow = { term: string; start: string; pack: Uint8Array };
type Reach = [term: string, low: string, high: string];

/**
 * The blocks that the changes reach: of each term from the last that starts at or before the first change on. Mostly
 * that is the last one of its list, and no other is looked at.
 */
async function blocksAt(tx: Tx, team: string, all: readonly TermChanges[]): Promise<Map<string, Block[]>> {
  const reach = all.map(({ term, changes }): Reach => [
    term,
    hex(changes.resourceAt(0)),
    hex(changes.resourceAt(changes.length - 1)),
  ]);
  const rows: BlockRow[] = [];
  const further: Reach[] = [];
  await inParts(reach, async (part) => {
    const found = await lowestBlocks(tx, team, part);
    found.forEach(({ start, pack, last }, i) => {
      const [term, low, high] = part[i]!;
      if (start && pack) rows.push({ term, start, pack });
      if (last && last > low) further.push([term, low, high]);
    });
  });
  await inParts(further, async (part) => void rows.push(...(await blocksBehind(tx, team, part))));
  const found = groupBy(rows, (row) => row.term);
  return new Map(
    [...found].map(([term, its]) => [
      term,
      its
        .map(({ start, pack }) => ({ start: dashed(start), postings: Postings.read([pack]) }))
        .sort((a, b) => compare(a.start, b.start)),
    ]),
  );
}

const REACH = [TERM, `low ${HEX}`, `high ${HEX}`];

/**
 * Of each, in order: the last block that starts at or before the first change, and where the list's last one starts.
 * Both are looked for from the end of the list, where they mostly are.
 */
async function lowestBlocks(tx: Tx, team: string, reach: readonly Reach[]) {
  const last = (which: SQL) =>
    sql`(SELECT a.start FROM ${termBlock} a WHERE a.team = ${team} AND a.term = j.term AND ${which} ORDER BY a.start DESC LIMIT 1)`;
  const rows = await queryRows<{ start: string | null; pack: Uint8Array | null; last: string | null }>(
    tx,
    sql`
    SELECT LOWER(HEX(b.start)) AS start, b.pack, LOWER(HEX(f.last)) AS last FROM (
      SELECT j.n, j.term, ${last(sql`a.start <= UNHEX(j.low)`)} AS low, ${last(sql`TRUE`)} AS last
      FROM ${rowsOf(
        reach.map((one, n) => [...one, n]),
        [...REACH, "n INT"],
      )}) f
    LEFT JOIN ${termBlock} b ON b.team = ${team} AND b.term = f.term AND b.start = f.low
    ORDER BY f.n`,
  );
  return rows;
}

/** The blocks that start behind the first change, up to the last. */
async function blocksBehind(tx: Tx, team: string, reach: readonly Reach[]): Promise<BlockRow[]> {
  const rows = await queryRows<BlockRow>(
    tx,
    sql`
    SELECT b.term, LOWER(HEX(b.start)) AS start, b.pack
    FROM ${rowsOf(reach, REACH)} STRAIGHT_JOIN ${termBlock} b FORCE INDEX (PRIMARY)
    ON b.team = ${team} AND b.term = j.term AND b.start > UNHEX(j.low) AND b.start <= UNHEX(j.high)`,
  );
  return rows;
}

const dashed = (digits: string) => digits.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, "$1-$2-$3-$4-$5");
