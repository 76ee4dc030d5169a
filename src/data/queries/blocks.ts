import { type SQL, sql } from "drizzle-orm";
import { type Block, workIn } from "@/core/search/blocks";
import { Postings } from "@/core/search/postings";
import { LONGEST_TERM } from "@/core/search/runs";
import type { Tx } from "../database";
import { termBlock, termStat } from "../schema";
import { compare, inParts, keysFirst, rowsOf } from "./by-keys";

const TEXT = `VARCHAR(${LONGEST_TERM}) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin`;
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
    if (after.grown) counts.push([term, after.grown, word]);
  }
  const byKey = (a: readonly [string, ...unknown[]], b: readonly [string, ...unknown[]]) =>
    compare(a[0], b[0]) || compare(String(a[1]), String(b[1]));
  // Each waits for the one before it: had that one lost its transaction, those behind it would be written without one.
  await inParts(written.sort(byKey), (rows) =>
    tx.execute(sql`
      INSERT INTO ${termBlock} (team, term, start, pack)
      SELECT ${team}, j.term, UNHEX(j.start), FROM_BASE64(j.pack)
      FROM ${rowsOf(rows, [`term ${TEXT}`, `start ${HEX}`, "pack TEXT CHARACTER SET ascii"])}
      ON DUPLICATE KEY UPDATE pack = VALUES(pack)`),
  );
  await inParts(gone, (rows) =>
    tx.execute(sql`
      DELETE b FROM ${rowsOf(rows, [`term ${TEXT}`, `start ${HEX}`])} STRAIGHT_JOIN ${termBlock} b FORCE INDEX (PRIMARY)
      ON b.team = ${team} AND b.term = j.term AND b.start = UNHEX(j.start)`),
  );
  await inParts(counts.sort(byKey), (rows) =>
    tx.execute(sql`
      INSERT INTO ${termStat} (team, term, df, word)
      SELECT ${team}, j.term, j.df, j.word FROM ${rowsOf(rows, [`term ${TEXT}`, "df INT", `word ${TEXT}`])}
      ON DUPLICATE KEY UPDATE df = ${termStat}.df + VALUES(df)`),
  );
  // The row of the empty term is what the index is locked by; it stays.
  const fallen = counts.filter(([term, grown]) => grown < 0 && term).map(([term]) => term);
  await inParts(fallen, (terms) =>
    tx.execute(sql`
      DELETE s FROM ${keysFirst(terms)} STRAIGHT_JOIN ${termStat} s FORCE INDEX (PRIMARY)
      ON s.team = ${team} AND s.term = k.k WHERE s.df <= 0`),
  );
}

/** The blocks that the changes reach: of each term from the last that starts at or before the first change on. */
async function blocksAt(tx: Tx, team: string, all: readonly TermChanges[]): Promise<Map<string, Block[]>> {
  const found = new Map<string, Block[]>();
  const reach = all.map(({ term, changes }): [string, string, string] => [
    term,
    hex(changes.resourceAt(0)),
    hex(changes.resourceAt(changes.length - 1)),
  ]);
  const at = (which: SQL) =>
    sql`${termBlock} b FORCE INDEX (PRIMARY) ON b.team = ${team} AND b.term = f.term AND ${which}`;
  await inParts(reach, async (rows) => {
    const [blocks] = (await tx.execute(sql`
      SELECT f.term, LOWER(HEX(b.start)) AS start, b.pack FROM (
        SELECT j.term, UNHEX(j.high) AS high, COALESCE((
          SELECT a.start FROM ${termBlock} a WHERE a.team = ${team} AND a.term = j.term AND a.start <= UNHEX(j.low)
          ORDER BY a.start DESC LIMIT 1), '') AS low
        FROM ${rowsOf(rows, [`term ${TEXT}`, `low ${HEX}`, `high ${HEX}`])}) f
      STRAIGHT_JOIN ${at(sql`b.start >= f.low AND b.start <= f.high`)}`)) as unknown as [
      { term: string; start: string; pack: Uint8Array }[],
    ];
    for (const { term, start, pack } of blocks) {
      const block = { start: dashed(start), postings: Postings.read([pack]) };
      const its = found.get(term);
      if (its) its.push(block);
      else found.set(term, [block]);
    }
  });
  for (const its of found.values()) its.sort((a, b) => compare(a.start, b.start));
  return found;
}

const dashed = (digits: string) => digits.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, "$1-$2-$3-$4-$5");
