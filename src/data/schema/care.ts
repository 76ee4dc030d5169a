import { index, json, mysqlTable, text, varchar } from "drizzle-orm/mysql-core";
import type { Reason } from "@/core/care/reasons";
import type { SignUp } from "@/core/care/sign-up";
import { collection } from "./arranging";
import { exactText, line, moment, uuid } from "./columns";
import { person } from "./people";

/** Who looks after the installation as a whole; the first one is named by a command. */
export const steward = mysqlTable("steward", {
  person: uuid("person")
    .primaryKey()
    .references(() => person.id, { onDelete: "cascade" }),
  createdAt: moment("created_at").notNull(),
});

/** What somebody reported of something public, without an account. */
export const report = mysqlTable(
  "report",
  {
    id: uuid("id").primaryKey(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    reason: varchar("reason", { length: 12 }).$type<Reason>().notNull(),
    words: text("words").notNull(),
    /** Where whoever reported it can be asked; empty: they did not say. */
    address: exactText("address", { length: 254 }).notNull(),
    createdAt: moment("created_at").notNull(),
    /** When a steward decided about it; null: it waits. */
    closedAt: moment("closed_at"),
  },
  (t) => [index("report_open").on(t.closedAt, t.createdAt), index("report_of").on(t.collection, t.closedAt)],
);

/** What stewards did, and what teams answered; nothing of it is changed afterwards. */
export const deed = mysqlTable(
  "steward_deed",
  {
    id: uuid("id").primaryKey(),
    at: moment("at").notNull(),
    kind: varchar("kind", { length: 12 }).$type<DeedKind>().notNull(),
    /** Who did it; null: it was done by a command, or they have left. */
    person: uuid("person"),
    collection: uuid("collection"),
    /** What it was called then, and of which team. */
    title: line("title", 200).notNull().default(""),
    teamName: line("team_name", 120).notNull().default(""),
    words: text("words").notNull(),
  },
  (t) => [index("deed_at").on(t.at, t.id), index("deed_of").on(t.collection, t.at)],
);
export type DeedKind = "hide" | "show" | "leave" | "answer" | "sign-up" | "shelves" | "named" | "let-go";

/** What stewards have set of the installation, by its name. */
export const installation = mysqlTable("installation", {
  name: varchar("name", { length: 20 }).primaryKey(),
  value: json("value").$type<{ mode: SignUp; domains: string[] } | { everybody: boolean }>().notNull(),
});
