import { index, mysqlTable, text } from "drizzle-orm/mysql-core";
import { collection, placement, section } from "./arranging";
import { moment, uuid } from "./columns";
import { team } from "./people";

/** What somebody said about an item in its place, a section or a whole collection. */
export const comment = mysqlTable(
  "comment",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    /** What it is about: one of the three. */
    collection: uuid("collection").references(() => collection.id, { onDelete: "cascade" }),
    section: uuid("section").references(() => section.id, { onDelete: "cascade" }),
    placement: uuid("placement").references(() => placement.id, { onDelete: "cascade" }),
    /** The mark in the text of that item which is meant. It is not held: what is said stays when it goes. */
    mark: uuid("mark"),
    /** The one it answers, with which the thread begins; null: it begins one. */
    thread: uuid("thread"),
    person: uuid("person").notNull(),
    words: text("words").notNull(),
    /** Of one that begins a thread: since when that counts as settled, and who said so. */
    settledAt: moment("settled_at"),
    settledBy: uuid("settled_by"),
    createdAt: moment("created_at").notNull(),
    editedAt: moment("edited_at"),
    deletedAt: moment("deleted_at"),
  },
  (t) => [
    index("comment_collection").on(t.collection),
    index("comment_section").on(t.section),
    index("comment_placement").on(t.placement),
    index("comment_team").on(t.team, t.id),
  ],
);
