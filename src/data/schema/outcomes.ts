import { index, mysqlTable, primaryKey, varchar } from "drizzle-orm/mysql-core";
import type { Degree } from "@/core/outcomes/coverage";
import { placement } from "./arranging";
import { line, moment, uuid } from "./columns";
import { team } from "./people";

/** A learning outcome or a research question; some stand in others. Neighbours stand in the order of their ids. */
export const outcome = mysqlTable(
  "outcome",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    parent: uuid("parent"),
    /** As the syllabus has it: `LO2.3`. */
    code: varchar("code", { length: 20 }).notNull(),
    title: line("title", 500).notNull(),
    createdBy: uuid("created_by").notNull(),
    createdAt: moment("created_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [index("outcome_team").on(t.team, t.deletedAt, t.id)],
);

/** That an item serves an outcome where it stands, and how much of it. */
export const serves = mysqlTable(
  "serves",
  {
    outcome: uuid("outcome")
      .notNull()
      .references(() => outcome.id, { onDelete: "cascade" }),
    placement: uuid("placement")
      .notNull()
      .references(() => placement.id, { onDelete: "cascade" }),
    degree: varchar("degree", { length: 8 }).$type<Degree>().notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.outcome, t.placement] }), index("serves_placement").on(t.placement)],
);
