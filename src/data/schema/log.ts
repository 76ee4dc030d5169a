import { index, mysqlTable, varchar } from "drizzle-orm/mysql-core";
import type { Logged } from "@/core/log/kinds";
import { line, moment, uuid } from "./columns";

/** What only those who own a team are told: it changes nothing others see. What changes something is an event. */
export const logEntry = mysqlTable(
  "log_entry",
  {
    id: uuid("id").primaryKey(),
    at: moment("at").notNull(),
    /** Null: it is of no team, as signing in is. */
    team: uuid("team"),
    person: uuid("person"),
    what: varchar("what", { length: 24 }).$type<Logged>().notNull(),
    collection: uuid("collection"),
    /** What it was about, in words: who was invited, as what; in which format. */
    about: line("about", 300).notNull().default(""),
  },
  (t) => [index("log_entry_team").on(t.team, t.at, t.id), index("log_entry_person").on(t.person, t.at)],
);
