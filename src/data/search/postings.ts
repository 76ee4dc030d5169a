import { queryRows } from "../sql/query-rows";
import { LRUCache } from "lru-cache";
import { type SQL, sql } from "drizzle-orm";
import { Postings } from "@/core/search/postings";
import type { Tx } from "../database";
import { termBlock, termPosting, termStat } from "../schema";
import { listed } from "../sql/by-keys";
import { fixed } from "../sql/fixed";

/** A term's list as it is packed, and which version of it that is. */
type Packed = { version: string; postings: Postings };

/** Bytes of lists that are cached in a process, those asked for last. */
const KEPT = 96 * 1024 * 1024;
/** What a cached list takes beside its postings. */
const ENTRY = 500;

// Next bundles routes apart from each other; what is cached is cached once a process.
const shared = globalThis as { hobbinLists?: LRUCache<string, Packed> };
const cached = (shared.hobbinLists ??= new LRUCache({
  maxSize: KEPT,
  sizeCalculation: ({ postings }) => postings.bytes + ENTRY,
}));

/** What the statement of a list brings: the version it has, one of its blocks, or what is noted beside them. */
export type ListRow = {
  term: string;
  n: number | string;
  version: string | null;
  resource: string | null;
  pack: Uint8Array | null;
  /** Of what is noted, whether the blocks have it with another weight; where that is asked for. */
  known: 0 | 1 | null;
};
type Read = { version: string | null; packs: Uint8Array[]; changes: { resource: string; weight: number }[] };

const VERSIONS = fixed(
  sql`term, 0 AS n, version, NULL AS resource, NULL AS pack, NULL AS known FROM ${termStat}`,
);
const NOTED = fixed(sql`term, weight, NULL, resource, NULL, NULL FROM ${termPosting}`);
const BLOCKS = fixed(sql`term, 0, NULL, NULL, pack, NULL FROM ${termBlock}`);
const keyOf = (team: string, term: string) => `${team} ${term}`;

/**
 * The list of a term, when this version of it is cached; null when it has to be read.
 * @param changes all that is noted of it, as read by the same statement as the version
 */
export function cachedList(
  team: string,
  term: string,
  version: string,
  changes: readonly { resource: string; weight: number }[],
): Postings | null {
  const packed = cached.get(keyOf(team, term));
  return packed?.version === version ? packed.postings.with(Postings.of(changes)) : null;
}

/**
 * Lists that are about to be read, with what changed since they were packed. What is packed changes rarely and is cached
 * in the process; each time it is asked whether it is still that version. All of a list is read by one statement, so
 * that nothing of it is read twice or not at all while somebody packs.
 */
export class AskedLists {
  private readonly known = new Map<string, Packed>();
  private readonly terms: readonly string[];

  constructor(
    private readonly team: string,
    terms: Iterable<string>,
  ) {
    this.terms = [...new Set(terms)];
    for (const term of this.terms) {
      const packed = cached.get(keyOf(team, term));
      if (packed) this.known.set(term, packed);
    }
  }

  /** What has to be asked for, to be put together by UNION ALL; none without terms. @param part tells their rows apart */
  selects(part: SQL): SQL[] {
    if (!this.terms.length) return [];
    const those = (terms: readonly string[]) => sql`team = ${this.team} AND term IN (${listed(terms)})`;
    const all = those(this.terms);
    const unknown = this.terms.filter((term) => !this.known.has(term));
    const selects = [
      sql`SELECT ${part} AS part, ${VERSIONS} WHERE ${all}`,
      sql`SELECT ${part}, ${NOTED} WHERE ${all}`,
    ];
    if (unknown.length) selects.push(sql`SELECT ${part}, ${BLOCKS} WHERE ${those(unknown)}`);
    return selects;
  }

  /** The lists by term; of a term that is in no resource there may be none. @param rows all that was asked for */
  async read(tx: Tx, rows: readonly ListRow[]): Promise<Map<string, Postings>> {
    const read = new Map<string, Read>();
    for (const { term, n, version, resource, pack } of rows) {
      let one = read.get(term);
      if (!one) read.set(term, (one = { version: null, packs: [], changes: [] }));
      if (version) one.version = version;
      else if (pack) one.packs.push(pack);
      else if (resource) one.changes.push({ resource, weight: Number(n) });
    }
    const lists = new Map<string, Postings>();
    for (const [term, { version, packs, changes }] of read) {
      let packed = this.known.get(term);
      if (packed && packed.version !== version) continue;
      if (!packed) {
        packed = { version: version ?? "", postings: Postings.read(packs) };
        if (version) cached.set(keyOf(this.team, term), packed);
      }
      this.known.delete(term);
      lists.set(term, packed.postings.with(Postings.of(changes)));
    }
    // Those that were packed anew since they were cached are read again, with what is noted beside them now.
    const old = [...this.known.keys()];
    if (!old.length) return lists;
    for (const term of old) cached.delete(keyOf(this.team, term));
    return new Map([...lists, ...(await readPostings(tx, this.team, old))]);
  }
}

/** The lists of these terms in a team; of a term that is in no resource there may be none. */
export async function readPostings(
  tx: Tx,
  team: string,
  terms: Iterable<string>,
): Promise<Map<string, Postings>> {
  const asked = new AskedLists(team, terms);
  const selects = asked.selects(sql`0`);
  if (!selects.length) return new Map();
  const rows = await queryRows<ListRow>(tx, sql.join(selects, sql` UNION ALL `));
  return asked.read(tx, rows);
}
