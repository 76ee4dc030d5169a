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
import { collection } from "./arranging";
import { bytesText, line, moment, uuid } from "./columns";
import { team } from "./people";

/** Where anybody can suggest something for a collection, without an account; one for a collection. */
export const suggestionPage = mysqlTable(
  "suggestion_page",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    /** In its address, which nobody guesses. */
    link: bytesText("link", { length: 24 }).notNull(),
    /** To be typed (core/share/short-code.ts). Both are others when it is renewed. */
    code: bytesText("code", { length: 8 }).notNull(),
    open: boolean("open").notNull(),
    /** What is suggested stands in the collection at once. */
    letsIn: boolean("lets_in").notNull(),
    /** Words and sites that have it wait for a look all the same. */
    holds: text("holds").notNull(),
    /** What is looked for, said to those who come. */
    ask: line("ask", 500).notNull(),
    until: moment("until"),
    /** On whose behalf things are let in. */
    createdBy: uuid("created_by").notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [
    uniqueIndex("suggestion_page_of").on(t.collection),
    uniqueIndex("suggestion_page_link").on(t.link),
    uniqueIndex("suggestion_page_code").on(t.code),
    index("suggestion_page_team").on(t.team),
  ],
);

/** An address, words, a file; or another context line, or another address, for an item that stands there. */
export type SuggestionKind = "address" | "text" | "file" | "words" | "link";

/** Of which other teams a team takes nothing that they give back. */
export const blockedTeam = mysqlTable(
  "blocked_team",
  {
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    other: uuid("other").notNull(),
    /** What it was called then. */
    name: line("name", 120).notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.team, t.other] })],
);

/** Something that was suggested. */
export const suggestion = mysqlTable(
  "suggestion",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    /** As whoever suggested it calls themselves. */
    name: line("name", 80).notNull(),
    /** In the address where they see what became of it: theirs alone, and the same for all they suggest. */
    giver: bytesText("giver", { length: 24 }).notNull(),
    kind: varchar("kind", { length: 8 }).$type<SuggestionKind>().notNull(),
    address: text("address").notNull(),
    text: text("text").notNull(),
    title: line("title", 300).notNull(),
    /** Why it belongs there, in their words. */
    why: text("why").notNull(),
    /** Of a file: the content that is kept, and what was sent. */
    fileHash: bytesText("file_hash", { length: 64 }),
    fileSent: bytesText("file_sent", { length: 64 }),
    fileName: line("file_name", 255).notNull(),
    fileType: line("file_type", 120).notNull(),
    fileBytes: int("file_bytes").notNull(),
    state: varchar("state", { length: 8 }).$type<"waiting" | "accepted" | "declined">().notNull(),
    /** It came while things were let in at once, and nothing in it was held: a job takes it in. */
    byItself: boolean("by_itself").notNull(),
    /** The word or site for which it waits although things are let in at once. */
    heldFor: line("held_for", 80).notNull(),
    /** What whoever decided said to them. */
    word: line("word", 500).notNull(),
    /** What became of it in the catalogue. */
    resource: uuid("resource"),
    /** Of other words, or another address, for an item that stands there already: which one. */
    betters: uuid("betters"),
    /** The team that gives it back, which had taken the collection with credit, and what it stands at there; null: somebody else. */
    givenBy: uuid("given_by"),
    givenFrom: uuid("given_from"),
    createdAt: moment("created_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [
    index("suggestion_in").on(t.collection, t.state, t.createdAt, t.id),
    index("suggestion_team").on(t.team, t.state),
    index("suggestion_giver").on(t.giver),
    index("suggestion_given").on(t.givenFrom),
    index("suggestion_file").on(t.fileHash),
  ],
);
