import { eq, sql } from "drizzle-orm";
import { groupBy } from "@/core/list/group-by";
import { numbersOf } from "@/core/search/ids";
import { Postings } from "@/core/search/postings";
import type { Tx } from "../database";
import { termPosting } from "../schema";
import { packInto, TERM, type TermChanges } from "./blocks";
import { inParts, keysFirst, rowsOf } from "../sql/by-keys";
import { fixed } from "../sql/fixed";

/** A posting as it shall be: of weight 0 when it is to go. */
export type Change = {
  term: string;
  resource: string;
  weight: number;
  word: string;
  /** Whether it is in the index with another weight. */
  indexed: boolean;
  /** Whether the resource was fed before, and something of it may be pending. */
  fed: boolean;
};

const NOTE = fixed(sql`INSERT INTO ${termPosting} (team, resource, term, word, weight, known)`);
const FIELDS = sql.raw(
  [1, 2, 3, 4].map((n) => `SUBSTRING_INDEX(SUBSTRING_INDEX(k.k, ' ', ${n}), ' ', -1)`).join(", "),
);
const OR_NEW = sql.raw("ON DUPLICATE KEY UPDATE weight = VALUES(weight)");

/**
 * Notes changes, resource by resource, each as a line: of what a table of JSON costs, most is for its columns. What is
 * pending of a posting already says whether the blocks have it; only when nothing was pending are these what is in the
 * index.
 */
export async function addPending(tx: Tx, team: string, changes: readonly Change[]): Promise<void> {
  for (const [resource, its] of groupBy(changes, (one) => one.resource)) {
    const lines = its.map(({ term, weight, word, indexed }) => `${term} ${word} ${weight} ${+indexed}`);
    await tx.execute(sql`${NOTE} SELECT ${team}, ${resource}, ${FIELDS} FROM ${keysFirst(lines)} ${OR_NEW}`);
  }
}

/** What is packed now need not be counted beside the blocks. */
export async function dropPending(tx: Tx, team: string, changes: readonly Change[]): Promise<void> {
  await inParts(
    changes.map(({ term, resource }) => [term, resource]),
    (rows) =>
      tx.execute(sql`
        DELETE p FROM ${rowsOf(rows, [TERM, "resource CHAR(36) CHARACTER SET ascii COLLATE ascii_bin"])} STRAIGHT_JOIN ${termPosting} p FORCE INDEX (PRIMARY)
        ON p.team = ${team} AND p.term = j.term AND p.resource = CAST(j.resource AS UUID)`),
  );
}

/** Changes of each term together; they come in the order of terms. */
export function byTerm(changes: readonly Omit<Change, "indexed" | "fed">[]): TermChanges[] {
  const all: TermChanges[] = [];
  // The same resources are in thousands of lists.
  const known = new Map<string, ReturnType<typeof numbersOf>>();
  const numbers = (id: string) => {
    let found = known.get(id);
    if (!found) known.set(id, (found = numbersOf(id)));
    return found;
  };
  for (let from = 0; from < changes.length;) {
    const { term, word } = changes[from]!;
    let to = from;
    while (to < changes.length && changes[to]!.term === term) to++;
    all.push({ term, word, changes: Postings.of(changes.slice(from, to), numbers) });
    from = to;
  }
  return all;
}

/** Changes of a team that are pending before they are packed. Reading a list costs as much more as are pending of it. */
const MANY = 20_000;
/** Changes packed in one transaction, while nobody else feeds the team. */
const STEP = 4_000;

/** Whether enough changes of a team are pending that they should be packed. */
export const hasManyPending = async (tx: Tx, team: string, many = MANY): Promise<boolean> => {
  const [[row]] = (await tx.execute(
    sql`SELECT 1 FROM ${termPosting} WHERE team = ${team} LIMIT 1 OFFSET ${many}`,
  )) as unknown as [unknown[]];
  return row !== undefined;
};

/**
 * Works changes that are pending into the blocks, the first of them in the order of their terms. Whoever calls holds the
 * team's index.
 * @param most how many noted changes are packed at the most
 * @returns how many
 */
export async function packPending(tx: Tx, team: string, most = STEP): Promise<number> {
  const pending = await tx
    .select({
      term: termPosting.term,
      resource: termPosting.resource,
      weight: termPosting.weight,
      word: termPosting.word,
    })
    .from(termPosting)
    .where(eq(termPosting.team, team))
    .orderBy(termPosting.term, termPosting.resource)
    .limit(most);
  if (!pending.length) return 0;
  await packInto(tx, team, byTerm(pending));
  await tx.execute(
    sql`DELETE FROM ${termPosting} WHERE team = ${team} ORDER BY term, resource LIMIT ${pending.length}`,
  );
  return pending.length;
}
