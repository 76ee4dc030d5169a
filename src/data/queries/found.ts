import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, placement, resource, resourceTag, resourceText, tag } from "../schema";
import { cardColumns } from "./resources";

/** Where a resource stands, with its words there. */
export type Standing = [collection: string, title: string, heading: string, context: string];

/**
 * What a list of results shows and needs to know of these resources: their cards, tags, places, notes and, when asked
 * for, the beginnings of their texts. One statement; what is in the bin is left out.
 * @param beginning of a text, so many characters; 0 when no text is needed
 */
export async function foundById(tx: Tx, team: string, ids: readonly string[], beginning: number) {
  if (!ids.length) return [];
  const tags = sql<string[] | null>`(SELECT JSON_ARRAYAGG(t.name ORDER BY rt.id) FROM ${resourceTag} rt
    JOIN ${tag} t ON t.id = rt.tag WHERE rt.resource = ${resource}.id)`;
  const places = sql<Standing[] | null>`(
    SELECT JSON_ARRAYAGG(JSON_ARRAY(c.id, c.title, p.heading, p.context) ORDER BY p.id) FROM ${placement} p
    JOIN ${collection} c ON c.id = p.collection
    WHERE p.resource = ${resource}.id AND p.deleted_at IS NULL AND c.deleted_at IS NULL)`;
  const text = beginning
    ? sql<
        string | null
      >`(SELECT SUBSTRING(x.text, 1, ${beginning}) FROM ${resourceText} x WHERE x.resource = ${resource}.id)`
    : sql<null>`NULL`;
  const rows = await tx
    .select({ ...cardColumns, language: resource.language, notes: resource.notes, tags, places, text })
    .from(resource)
    .where(and(eq(resource.team, team), inArray(resource.id, [...ids]), isNull(resource.deletedAt)));
  return rows.map((row) => ({
    ...row,
    tags: row.tags ?? [],
    places: row.places ?? [],
    text: row.text ?? "",
  }));
}
export type FoundRow = Awaited<ReturnType<typeof foundById>>[number];
