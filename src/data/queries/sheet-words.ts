import { type SQL, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { queryRows } from "../sql/query-rows";

/** Where a learner wrote something. */
export type SheetWords = {
  learner: string;
  name: string;
  /** The item of the handout it was written at; null: it is something they found. */
  item: string | null;
  what: "answer" | "context" | "find";
  words: string;
};

/** That a text has every one of these words, whatever letters they stand in. */
const has = (text: SQL, words: readonly string[]): SQL =>
  sql.join(
    words.map((word) => sql`${text} LIKE ${`%${word.replace(/[\\%_]/g, "\\$&")}%`}`),
    sql` AND `,
  );

/**
 * Where learners wrote all of these words in a handout, by name; what they noted for themselves is not looked through.
 * @param words at least one
 */
export async function sheetWords(
  tx: Tx,
  handout: string,
  words: readonly string[],
  most: number,
): Promise<SheetWords[]> {
  const who = sql`FROM sheet s JOIN learner l ON l.id = s.learner AND l.deleted_at IS NULL`;
  const found = sql`CONCAT_WS(' ', NULLIF(f.title, ''), NULLIF(f.address, ''), NULLIF(f.context, ''))`;
  return queryRows<SheetWords>(
    tx,
    sql`SELECT * FROM (
        SELECT l.id AS learner, l.name, i.item, 'answer' AS what, i.answer AS words ${who}
          JOIN sheet_item i ON i.sheet = s.id WHERE s.handout = ${handout} AND ${has(sql`i.answer`, words)}
        UNION ALL
        SELECT l.id, l.name, i.item, 'context', i.context ${who}
          JOIN sheet_item i ON i.sheet = s.id WHERE s.handout = ${handout} AND ${has(sql`i.context`, words)}
        UNION ALL
        SELECT l.id, l.name, NULL, 'find', ${found} ${who}
          JOIN sheet_find f ON f.sheet = s.id AND f.deleted_at IS NULL
          WHERE s.handout = ${handout} AND ${has(found, words)}
      ) written ORDER BY name, learner LIMIT ${sql.raw(String(most))}`,
  );
}
