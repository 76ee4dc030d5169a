import { index, int, json, mysqlTable, primaryKey, text, uniqueIndex, varchar } from "drizzle-orm/mysql-core";
import { collection } from "./arranging";
import { bytesText, exactText, line, moment, uuid } from "./columns";
import { edition } from "./editions";

/** What is written for the next issue of a newsletter. */
export const newsletterDraft = mysqlTable("newsletter_draft", {
  collection: uuid("collection")
    .primaryKey()
    .references(() => collection.id, { onDelete: "cascade" }),
  subject: line("subject", 200).notNull().default(""),
  greeting: text("greeting").notNull().default(""),
  closing: text("closing").notNull().default(""),
  /** Items of it, by placement; null: what came since the last issue. */
  chosen: json("chosen").$type<string[]>(),
  updatedAt: moment("updated_at").notNull(),
});

export type ReaderState = "waiting" | "confirmed";

/** Somebody who asked for a newsletter by mail. Who leaves is not in the table any more. */
export const newsletterReader = mysqlTable(
  "newsletter_reader",
  {
    id: uuid("id").primaryKey(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    address: exactText("address", { length: 254 }).notNull(),
    /** In the addresses by which they confirm, and leave. */
    token: bytesText("token", { length: 24 }).notNull(),
    state: varchar("state", { length: 10 }).$type<ReaderState>().notNull(),
    createdAt: moment("created_at").notNull(),
    confirmedAt: moment("confirmed_at"),
  },
  (t) => [
    uniqueIndex("newsletter_reader_once").on(t.collection, t.address),
    uniqueIndex("newsletter_reader_token").on(t.token),
  ],
);

/** A newsletter that was sent: an edition, and to how many. */
export const newsletterIssue = mysqlTable(
  "newsletter_issue",
  {
    id: uuid("id").primaryKey(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    edition: uuid("edition")
      .notNull()
      .references(() => edition.id, { onDelete: "cascade" }),
    subject: line("subject", 200).notNull(),
    readers: int("readers").notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [index("newsletter_issue_collection").on(t.collection, t.createdAt)],
);

export type DeliveryState = "waiting" | "sent" | "refused";

/** One copy of an issue, for one reader. */
export const newsletterDelivery = mysqlTable(
  "newsletter_delivery",
  {
    issue: uuid("issue")
      .notNull()
      .references(() => newsletterIssue.id, { onDelete: "cascade" }),
    reader: uuid("reader")
      .notNull()
      .references(() => newsletterReader.id, { onDelete: "cascade" }),
    state: varchar("state", { length: 10 }).$type<DeliveryState>().notNull(),
    /** What the mail server said when it would not have it. */
    problem: line("problem", 300),
    at: moment("at").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.issue, t.reader] }),
    index("newsletter_delivery_state").on(t.issue, t.state, t.reader),
  ],
);
