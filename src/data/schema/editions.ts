import { boolean, index, int, mysqlTable, primaryKey, uniqueIndex } from "drizzle-orm/mysql-core";
import { collection } from "./arranging";
import { bytesText, line, moment, uuid } from "./columns";

/** A collection as it stood at a time, which nothing changes any more. */
export const edition = mysqlTable(
  "edition",
  {
    id: uuid("id").primaryKey(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    /** Counted from 1 within the collection; null: kept for another use, and listed nowhere. */
    number: int("number"),
    /** What is new in it, or empty. */
    words: line("words", 300).notNull().default(""),
    /** Whether it is an issue of a newsletter: some of the items, with words of its own around them. */
    isIssue: boolean("is_issue").notNull().default(false),
    /** SHA-256 of its content, which is a stored file (core/editions/content.ts). */
    digest: bytesText("digest", { length: 64 }).notNull(),
    /** How many items stand in it, with what stands inside. */
    items: int("items").notNull(),
    person: uuid("person").notNull(),
    createdAt: moment("created_at").notNull(),
    /** Since when readers are not given it any more. */
    withdrawnAt: moment("withdrawn_at"),
  },
  (t) => [uniqueIndex("edition_number").on(t.collection, t.number), index("edition_digest").on(t.digest)],
);

/** The stored files an edition needs to be seen again, beside its content. */
export const editionFile = mysqlTable(
  "edition_file",
  {
    edition: uuid("edition")
      .notNull()
      .references(() => edition.id, { onDelete: "cascade" }),
    hash: bytesText("hash", { length: 64 }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.edition, t.hash] }), index("edition_file_hash").on(t.hash)],
);
