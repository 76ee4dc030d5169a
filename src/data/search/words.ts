import { queryRows } from "../sql/query-rows";
import { inArray, sql } from "drizzle-orm";
import { type Counted, countedOf, readCounted } from "@/core/search/counted";
import { MARKED, type Searchable } from "@/core/search/weigh";
import type { Tx } from "../database";
import {
  collection,
  mark,
  placement,
  resource,
  resourceTag,
  resourceText,
  section,
  tag,
  termList,
} from "../schema";
import { keysFirst } from "../sql/by-keys";
import { asMonth } from "../sql/as-month";
import { fixed } from "../sql/fixed";
import { COUNTED, type CountedRow, factOf } from "./facts";

export type Words = {
  resource: string;
  /** Whether it was ever fed to the index. */
  fed: boolean;
  /** What stands of it in the index: terms with their weights. Of what was never fed, none. */
  indexed: Map<string, number>;
  /** What stands of it in the counts of the team. */
  counted: Counted;
  /** What shall stand there. */
  now: Counted;
  /** Null when it is in the bin or gone for good. */
  words: Searchable | null;
};

/** The driver knows MariaDB's JSON and reads it. */
type Row = CountedRow & {
  id: string;
  terms: string | null;
  counted: string | null;
  tagged: [tag: string, month: number][] | null;
  living: 0 | 1;
  title: string;
  notes: string;
  description: string;
  site_name: string;
  host: string;
  authors: string[];
  language: string | null;
  text: string | null;
  tags: string[] | null;
  contexts: [heading: string, context: string][] | null;
  /** Of those that are one person's alone nothing but that they are there. */
  marks: [quote: string, note: string][] | null;
};

const WHAT = fixed(sql`
  SELECT k.k AS id, l.terms, l.counted, r.id IS NOT NULL AND r.deleted_at IS NULL AS living,
    r.title, r.notes, r.description, r.site_name, r.host, r.authors, r.language, x.text, ${COUNTED},
    (SELECT JSON_ARRAYAGG(JSON_ARRAY(rt.tag, EXTRACT(YEAR_MONTH FROM rt.created_at))) FROM ${resourceTag} rt WHERE rt.resource = r.id) AS tagged,
    (SELECT JSON_ARRAYAGG(t.name) FROM ${resourceTag} rt JOIN ${tag} t ON t.id = rt.tag WHERE rt.resource = r.id) AS tags,
    (SELECT JSON_ARRAYAGG(JSON_ARRAY(p.heading, p.context)) FROM ${placement} p
      JOIN ${collection} c ON c.id = p.collection LEFT JOIN ${section} s ON s.id = p.section
      WHERE p.resource = r.id AND p.deleted_at IS NULL AND c.deleted_at IS NULL AND s.deleted_at IS NULL) AS contexts,
    (SELECT JSON_ARRAYAGG(JSON_ARRAY(IF(m.private, '', LEFT(m.quote, 300)), IF(m.private, '', LEFT(m.note, 2000))))
      FROM ${mark} m WHERE m.resource = r.id AND m.deleted_at IS NULL) AS marks`);
const JOINED = fixed(sql`
  LEFT JOIN ${resource} r ON r.id = CAST(k.k AS UUID)
  LEFT JOIN ${resourceText} x ON x.resource = r.id
  LEFT JOIN ${termList} l ON l.resource = CAST(k.k AS UUID)`);

/**
 * The words of these resources by where they stand, and what is counted of them, with what the index holds of both. One statement, whatever there
 * is: of a single resource the ways to the database and back cost more than what they bring.
 */
export async function wordsOf(tx: Tx, ids: readonly string[]): Promise<Words[]> {
  const rows = await queryRows<Row>(tx, sql`${WHAT} FROM ${keysFirst(ids)} ${JOINED}`);
  return rows.map((row) => ({
    resource: row.id,
    fed: row.terms !== null,
    indexed: readTerms(row.terms ?? ""),
    counted: readCounted(row.counted ?? ""),
    now: row.living
      ? countedOf(
          factOf(row),
          (row.tagged ?? []).map(([tag, month]) => [tag, asMonth(month)]),
        )
      : new Map(),
    words: row.living ? wordsIn(row) : null,
  }));
}

function wordsIn(row: Row): Searchable {
  const { title, notes, description, language } = row;
  return {
    title,
    notes,
    description,
    language,
    text: row.text ?? "",
    tags: row.tags ?? [],
    contexts: (row.contexts ?? []).flat().filter(Boolean),
    marks: (row.marks ?? []).flat().filter(Boolean),
    source: [row.site_name, row.host, ...row.authors].filter(Boolean),
    keys: row.marks ? [MARKED] : [],
  };
}

/**
 * What stands in the index of public collections.
 * @param ids of collections
 */
export async function indexedListings(
  tx: Tx,
  ids: readonly string[],
): Promise<Map<string, Words["indexed"]>> {
  const rows = await tx
    .select({ id: termList.resource, terms: termList.terms })
    .from(termList)
    .where(inArray(termList.resource, [...ids]));
  return new Map(rows.map(({ id, terms }) => [id, readTerms(terms)]));
}

/** The lines of term_list: a term and its weight. */
const readTerms = (lines: string): Map<string, number> =>
  new Map(
    lines
      .split("\n")
      .filter(Boolean)
      .map((line) => {
        const at = line.lastIndexOf(" ");
        return [line.slice(0, at), Number(line.slice(at + 1))];
      }),
  );
