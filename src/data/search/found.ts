import { queryRows } from "../sql/query-rows";
import { sql } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, mark, placement, resource, resourceTag, resourceText, tag } from "../schema";
import { listed } from "../sql/by-keys";
import { fixed } from "../sql/fixed";
import { type Card, cardColumns } from "../queries/resources";

/** Where a resource stands, with its words there. */
type Standing = [placement: string, collection: string, title: string, heading: string, context: string];

export type FoundRow = {
  card: Card;
  language: string | null;
  notes: string;
  places: Standing[];
  /** What the team wrote beside it, and the words that are marked; with what is one's own. */
  marks: string[];
  /** Its beginning. */
  text: string;
};

/** The driver reads JSON that the database makes. */
type Row = Record<keyof typeof cardColumns, unknown> & {
  language: string | null;
  notes: string;
  tags: string[] | null;
  places: Standing[] | null;
  marks: [note: string, quote: string][] | null;
  text?: string | null;
};

/** The columns of a card, and what makes of each what the program has. */
const columns = Object.entries(cardColumns);
const WHAT = fixed(sql`
  SELECT ${sql.raw(columns.map(([key, { name }]) => `r.${name} AS ${key}`).join(", "))}, r.language, r.notes,
    (SELECT JSON_ARRAYAGG(t.name ORDER BY rt.id) FROM ${resourceTag} rt JOIN ${tag} t ON t.id = rt.tag
      WHERE rt.resource = r.id) AS tags,
    (SELECT JSON_ARRAYAGG(JSON_ARRAY(p.id, c.id, c.title, p.heading, p.context) ORDER BY p.id) FROM ${placement} p
      JOIN ${collection} c ON c.id = p.collection
      WHERE p.resource = r.id AND p.deleted_at IS NULL AND c.deleted_at IS NULL) AS places,
    (SELECT JSON_ARRAYAGG(JSON_ARRAY(LEFT(m.note, 2000), LEFT(m.quote, 300)) ORDER BY m.id) FROM ${mark} m
      WHERE m.resource = r.id AND m.deleted_at IS NULL AND (NOT m.private OR m.person = `);
const FROM = fixed(sql`FROM ${resource} r FORCE INDEX (PRIMARY)`);
const TEXTS = fixed(sql` LEFT JOIN ${resourceText} x ON x.resource = r.id`);

const readCard = (row: Row) =>
  Object.fromEntries(
    columns.map(([key, column]) => {
      const value = row[key as keyof Row];
      return [key, value === null ? null : column.mapFromDriverValue(value)];
    }),
  ) as Omit<Card, "tags">;

/**
 * What a list of results shows and needs to know of these resources: their cards, tags, places, notes and, when asked
 * for, the beginnings of their texts. One statement; what is in the bin is left out. The key is named, because the
 * optimizer would look at every id in every key it might use first.
 * @param beginning of a text, so many characters; 0 when no text is needed
 */
export async function foundById(
  tx: Tx,
  { team, person }: { team: string; person: string },
  ids: readonly string[],
  beginning: number,
): Promise<FoundRow[]> {
  if (!ids.length) return [];
  const text = sql`, LEFT(x.text, ${beginning}) AS text`;
  const rows = await queryRows<Row>(
    tx,
    sql`
    ${WHAT}${person})) AS marks${beginning ? text : sql``} ${FROM}${beginning ? TEXTS : sql``}
    WHERE r.team = ${team} AND r.deleted_at IS NULL AND r.id IN (${listed(ids)})`,
  );
  return rows.map((row) => ({
    card: { ...readCard(row), tags: row.tags ?? [] },
    language: row.language,
    notes: row.notes,
    places: row.places ?? [],
    marks: (row.marks ?? []).flat().filter(Boolean),
    text: row.text ?? "",
  }));
}
