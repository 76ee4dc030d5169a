import { index, mysqlTable, uniqueIndex } from "drizzle-orm/mysql-core";
import { bytesText, line, moment, uuid } from "./columns";
import { team } from "./people";

/** A list of bare names, such as a class; they need no account. */
export const learnerGroup = mysqlTable(
  "learner_group",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    title: line("title", 120).notNull(),
    createdBy: uuid("created_by").notNull(),
    createdAt: moment("created_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [index("learner_group_team").on(t.team, t.id)],
);

/** A name on such a list, with the card that opens what was handed out to it. */
export const learner = mysqlTable(
  "learner",
  {
    id: uuid("id").primaryKey(),
    group: uuid("group_id")
      .notNull()
      .references(() => learnerGroup.id, { onDelete: "cascade" }),
    /** The team of the group. */
    team: uuid("team").notNull(),
    name: line("name", 80).notNull(),
    /** On the card, to be typed (core/share/short-code.ts). */
    code: bytesText("code", { length: 8 }).notNull(),
    /** In the address of their page, which nobody guesses. Both are others when the card is renewed. */
    card: bytesText("card", { length: 24 }).notNull(),
    createdAt: moment("created_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [
    index("learner_in_group").on(t.group, t.id),
    uniqueIndex("learner_code").on(t.code),
    uniqueIndex("learner_card").on(t.card),
  ],
);
