import {
  boolean,
  index,
  int,
  mysqlTable,
  primaryKey,
  text,
  uniqueIndex,
  varchar,
} from "drizzle-orm/mysql-core";
import type { Pattern, Tint } from "@/core/marks/meanings";
import { resource } from "./catalogue";
import { bytesText, exactText, line, moment, uuid } from "./columns";
import type { CopyOrigin } from "./content";
import { team } from "./people";

/** A reading copy as it was before another one took its place; its content lies in the file store. */
export const textVersion = mysqlTable(
  "text_version",
  {
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
    number: int("number").notNull(),
    origin: varchar("origin", { length: 12 }).$type<CopyOrigin>().notNull(),
    /** Of its HTML and its words, as JSON (core/text/stored-copy). */
    digest: bytesText("digest", { length: 64 }).notNull(),
    words: int("words").notNull(),
    /** When it was read. */
    at: moment("at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.resource, t.number] }), index("text_version_digest").on(t.digest)],
);

/** What a team means by a mark: a word with a pattern and a colour. Taken off the list it stays for what is marked with it. */
export const meaning = mysqlTable(
  "meaning",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    name: line("name", 40).notNull(),
    /** The name folded as tags are: two with one key are one. */
    key: exactText("key", { length: 40 }).notNull(),
    pattern: varchar("pattern", { length: 12 }).$type<Pattern>().notNull(),
    tint: varchar("tint", { length: 12 }).$type<Tint>().notNull(),
    createdAt: moment("created_at").notNull(),
    removedAt: moment("removed_at"),
  },
  (t) => [uniqueIndex("meaning_once").on(t.team, t.key)],
);

/** A highlight, or a note in the margin (Web Annotation Data Model), of one person for themselves or for the team. */
export const mark = mysqlTable(
  "mark",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
    person: uuid("person").notNull(),
    /** Nobody but its person sees it. */
    private: boolean("private").notNull(),
    meaning: uuid("meaning"),
    /** The words that are marked, and what stood before and behind them; empty: it is about the whole. */
    quote: text("quote").notNull(),
    prefix: varchar("prefix", { length: 80 }).notNull(),
    suffix: varchar("suffix", { length: 80 }).notNull(),
    note: text("note").notNull(),
    /** Which part is marked of what has no selectable words: `t=95,130`, `page=3&xywh=percent:…` (core/marks/fragments). */
    fragment: varchar("fragment", { length: 120 }).notNull().default(""),
    /** On which reading copy it was made; null: on none. */
    version: int("version"),
    /** Where it stands in the copy in use; null: its place is lost, or it is about the whole. */
    start: int("start_at"),
    end: int("end_at"),
    /** How sure its place is, in percent; null: it has not been looked for yet. */
    sure: int("sure"),
    createdAt: moment("created_at").notNull(),
    updatedAt: moment("updated_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [
    index("mark_resource").on(t.resource, t.deletedAt),
    index("mark_team").on(t.team, t.deletedAt, t.id),
    // What is marked is told by it alone, newest first, without a look at the marks.
    index("mark_marked").on(t.team, t.deletedAt, t.resource, t.private, t.person, t.meaning),
    index("mark_person").on(t.person, t.team, t.private),
  ],
);
