import { sql } from "drizzle-orm";
import type { Fact } from "@/core/search/facets";
import { asMonth } from "../sql/as-month";
import { fixed } from "../sql/fixed";
import { STATE_IS } from "./filters";

export const STATES = Object.keys(STATE_IS) as (keyof typeof STATE_IS)[];

/** What is counted of a row `r` of resource, but its tags. */
export const COUNTED = fixed(sql`r.kind, r.host AS site, r.added_by AS person,
  EXTRACT(YEAR_MONTH FROM r.created_at) AS month, r.minutes, ${sql.join(
    STATES.map((state) => sql`${STATE_IS[state]} AS ${sql.identifier(state)}`),
    sql`, `,
  )}`);
export type CountedRow = Record<
  "kind" | "site" | "person" | "month" | "minutes" | (typeof STATES)[number],
  string | number | null
>;

/** Such a row as core counts it. */
export const factOf = (row: CountedRow): Fact => ({
  kind: String(row.kind),
  site: String(row.site),
  person: String(row.person),
  month: asMonth(row.month!),
  minutes: row.minutes === null ? null : Number(row.minutes),
  states: Object.fromEntries(STATES.map((state) => [state, Boolean(row[state])])),
});
