import { bigint, index, int, mysqlTable, varchar } from "drizzle-orm/mysql-core";
import { bigJson, bytesText, line, moment, uuid } from "./columns";

export type OrderState = "running" | "ready" | "failed";
/** What is being done: the collection read, its pictures made small, it set on pages, or files packed. */
export type OrderStep = "reading" | "pictures" | "setting" | "packing";

/** A file somebody has ordered because it takes long to make; it can be fetched for a day. */
export const orderedFile = mysqlTable(
  "ordered_file",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team").notNull(),
    person: uuid("person").notNull(),
    collection: uuid("collection").notNull(),
    /** What was asked for, as it goes to the writers of files. */
    asked: bigJson<Record<string, unknown>>("asked").notNull(),
    state: varchar("state", { length: 8 }).$type<OrderState>().notNull(),
    step: varchar("step", { length: 10 }).$type<OrderStep>().notNull(),
    /** Of that step; 0: it cannot be counted. */
    done: int("done").notNull().default(0),
    total: int("total").notNull().default(0),
    name: line("name", 200),
    type: varchar("type", { length: 100 }),
    hash: bytesText("hash", { length: 64 }),
    bytes: bigint("bytes", { mode: "number" }),
    /** Why it could not be made, in words. */
    problem: line("problem", 300),
    createdAt: moment("created_at").notNull(),
    /** When it is cleared. */
    until: moment("until_").notNull(),
  },
  (t) => [
    index("ordered_file_person").on(t.person, t.collection, t.id),
    index("ordered_file_hash").on(t.hash),
    index("ordered_file_until").on(t.until),
  ],
);

/** The document of a word processor a team's collections are put into: its letterhead, its styles. */
export const documentTemplate = mysqlTable(
  "document_template",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team").notNull().unique(),
    hash: bytesText("hash", { length: 64 }).notNull(),
    name: line("name", 200).notNull(),
    addedBy: uuid("added_by").notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [index("document_template_hash").on(t.hash)],
);
