import { type SQL, sql } from "drizzle-orm";
import type { Dimension, Share } from "@/core/measure/mix";
import type { Kind } from "@/core/page/facts";
import type { Tx } from "../database";
import { queryRows } from "../sql/query-rows";

/** What is looked at: everything of a team, or what stands in some of its collections. */
export type MixOf = { team: string; collections: readonly string[] | null };

const VALUE: Record<Exclude<Dimension, "author">, SQL> = {
  site: sql`r.host`,
  kind: sql`r.kind`,
  language: sql`COALESCE(LOWER(SUBSTRING_INDEX(r.language, '-', 1)), '')`,
  year: sql`COALESCE(LEFT(r.published, 4), '')`,
};

/** Every resource once, however often it stands somewhere. Notes are nobody's source. */
const among = ({ team, collections }: MixOf): SQL =>
  sql`r.team = ${team} AND r.deleted_at IS NULL AND r.kind <> 'note'${
    collections
      ? sql` AND r.id IN (SELECT p.resource FROM placement p WHERE p.deleted_at IS NULL AND p.look = 'item' AND p.collection IN (${sql.join(
          collections.map((id) => sql`${id}`),
          sql`, `,
        )}))`
      : sql``
  }`;

/** How many resources there are of each value; who has several authors counts for each, who has none for the empty one. */
export async function countedBy(tx: Tx, of: MixOf, dimension: Dimension): Promise<Share[]> {
  if (of.collections?.length === 0) return [];
  const rows = await queryRows<{ value: string; count: number }>(
    tx,
    dimension === "author"
      ? sql`SELECT COALESCE(a.name, '') value, COUNT(*) count FROM resource r
          LEFT JOIN JSON_TABLE(r.authors, '$[*]' COLUMNS (name VARCHAR(300) PATH '$')) a ON TRUE
          WHERE ${among(of)} GROUP BY value`
      : sql`SELECT ${VALUE[dimension]} value, COUNT(*) count FROM resource r WHERE ${among(of)} GROUP BY value`,
  );
  return rows.map(({ value, count }) => ({ value, count: Number(count) }));
}

/** The resources of a value, by their titles. */
export async function resourcesBy(tx: Tx, of: MixOf, dimension: Dimension, value: string, most: number) {
  if (of.collections?.length === 0) return [];
  const has =
    dimension === "author"
      ? value === ""
        ? sql`JSON_LENGTH(r.authors) = 0`
        : sql`JSON_CONTAINS(r.authors, JSON_QUOTE(${value}))`
      : sql`${VALUE[dimension]} = ${value}`;
  return queryRows<{ id: string; title: string; kind: Kind; host: string }>(
    tx,
    sql`SELECT r.id, r.title, r.kind, r.host FROM resource r WHERE ${among(of)} AND ${has} ORDER BY r.title, r.id LIMIT ${most}`,
  );
}
