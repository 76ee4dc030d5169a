import { and, eq, isNull, sql } from "drizzle-orm";
import type { Sayings } from "@/core/appraise/weighed";
import type { Tx } from "../database";
import { placement } from "../schema";
import { inParts } from "../sql/by-keys";
import { queryRows } from "../sql/query-rows";

/** What stands in a collection, each once, whatever its look. */
export async function standingThere(tx: Tx, collection: string): Promise<string[]> {
  const rows = await tx
    .selectDistinct({ id: placement.resource })
    .from(placement)
    .where(and(eq(placement.collection, collection), isNull(placement.deletedAt)));
  return rows.map(({ id }) => id);
}

/**
 * What is known of the judging of some things, a row a round. Answers are beside each other by what they say and not by the order
 * in which they were given.
 */
export async function sayingsOf(tx: Tx, resources: readonly string[]): Promise<Sayings[]> {
  const all: Sayings[] = [];
  await inParts(
    resources,
    async (part) => {
      const rows = await queryRows<{
        resource: string;
        people: number;
        sides: number;
        agreed: string | null;
        copy: number;
        newest: number | null;
      }>(
        tx,
        sql`SELECT a.resource, COUNT(*) people, MAX(COALESCE(a.copy, 0)) copy,
          COUNT(DISTINCT IF(a.round IS NULL OR (ro.blind AND ro.state = 'judging'), NULL,
            JSON_EXTRACT(JSON_NORMALIZE(a.answers), '$.*.step'))) sides,
          (SELECT MAX(g.id) FROM agreed g WHERE g.round = a.round AND g.resource = a.resource AND g.deleted_at IS NULL) agreed,
          (SELECT MAX(x.number) FROM resource_text x WHERE x.resource = a.resource) newest
        FROM appraisal a LEFT JOIN round ro ON ro.id = a.round
        WHERE a.resource IN (${sql.join(
          part.map((id) => sql`${id}`),
          sql`, `,
        )}) AND a.whole AND a.deleted_at IS NULL AND ro.deleted_at IS NULL
        GROUP BY a.resource, a.round`,
      );
      for (const { resource, people, sides, agreed, copy, newest } of rows)
        all.push({
          ...{ resource, people: Number(people), agreed: agreed !== null, copy: Number(copy) },
          ...{ apart: Number(sides) > 1 && agreed === null, newest: Number(newest ?? 0) },
        });
    },
    500,
  );
  return all;
}
