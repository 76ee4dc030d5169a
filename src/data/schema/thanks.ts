import { index, mysqlTable } from "drizzle-orm/mysql-core";
import { collection } from "./arranging";
import { line, moment, uuid } from "./columns";
import { team } from "./people";

/** That something public helped somebody, in their words or in none; they have no account, and need give no name. */
export const thanks = mysqlTable(
  "thanks",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    words: line("words", 500).notNull(),
    /** As whoever said it calls themselves; empty: they did not say. */
    name: line("name", 80).notNull(),
    createdAt: moment("created_at").notNull(),
    /** When its team put it away; null: it stands where they read such things. */
    awayAt: moment("away_at"),
  },
  (t) => [index("thanks_of").on(t.collection, t.awayAt, t.createdAt), index("thanks_team").on(t.team)],
);
