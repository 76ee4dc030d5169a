import { index, mysqlTable, uniqueIndex, varchar } from "drizzle-orm/mysql-core";
import type { BroughtLine } from "@/core/imports/brought";
import { bigJson, bytesText, exactText, line, moment, uuid } from "./columns";
import { team } from "./people";

/** An address that takes mail: a person's for the Tray of a team, or a collection's. */
export const mailAddress = mysqlTable(
  "mail_address",
  {
    id: uuid("id").primaryKey(),
    /** The part before the @; long enough that nobody guesses it. */
    local: bytesText("local_part", { length: 40 }).notNull().unique(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    person: uuid("person").notNull(),
    collection: uuid("collection"),
    createdAt: moment("created_at").notNull(),
    revokedAt: moment("revoked_at"),
  },
  (t) => [index("mail_address_person").on(t.person, t.team)],
);

/** Senders whose mail a person takes without a look. */
export const mailSender = mysqlTable(
  "mail_sender",
  {
    id: uuid("id").primaryKey(),
    person: uuid("person").notNull(),
    address: exactText("address", { length: 255 }).notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [uniqueIndex("mail_sender_once").on(t.person, t.address)],
);

/** A message that arrived. */
export const mailMessage = mysqlTable(
  "mail_message",
  {
    id: uuid("id").primaryKey(),
    mailbox: uuid("mailbox").notNull(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    person: uuid("person").notNull(),
    collection: uuid("collection"),
    /** The same message twice is one: its Message-ID, or its content where it has none. */
    identity: bytesText("identity", { length: 64 }).notNull(),
    sender: line("sender", 255).notNull(),
    subject: line("subject", 300).notNull(),
    state: varchar("state", { length: 8 }).$type<"held" | "taken" | "refused">().notNull(),
    /** Hash of the original, which is kept. */
    original: bytesText("original", { length: 64 }).notNull(),
    resource: uuid("resource"),
    links: bigJson<Pick<BroughtLine, "address" | "title">[]>("links").notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [
    uniqueIndex("mail_message_once").on(t.mailbox, t.identity),
    index("mail_message_person").on(t.person, t.state, t.id),
    index("mail_message_resource").on(t.resource),
  ],
);
