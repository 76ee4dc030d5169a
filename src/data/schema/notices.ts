import { index, int, json, mysqlTable, uniqueIndex, varchar } from "drizzle-orm/mysql-core";
import type { MailWishes, NoticeKind } from "@/core/talk/notices";
import { collection } from "./arranging";
import { bytesText, moment, uuid } from "./columns";
import { comment } from "./comments";

/** What is addressed to somebody; what it says stands in what it is about, and is no second truth here. */
export const notice = mysqlTable(
  "notice",
  {
    id: uuid("id").primaryKey(),
    person: uuid("person").notNull(),
    team: uuid("team").notNull(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    kind: varchar("kind", { length: 16 }).$type<NoticeKind>().notNull(),
    /** What was said; null: it is about something else. */
    comment: uuid("comment").references(() => comment.id, { onDelete: "cascade" }),
    /** What it is about when nothing was said: the item somebody is to see to, the collection things are suggested for, the handout. */
    subject: uuid("subject"),
    createdAt: moment("created_at").notNull(),
    /** When they looked at it. */
    seenAt: moment("seen_at"),
    /** The letter it stands in, by whose name the same letter is known when it is sent again; null: in none yet. */
    letter: uuid("letter"),
    mailedAt: moment("mailed_at"),
  },
  (t) => [
    uniqueIndex("notice_once").on(t.person, t.comment),
    uniqueIndex("notice_about").on(t.person, t.kind, t.subject),
    index("notice_unseen").on(t.person, t.seenAt, t.createdAt),
    index("notice_letter").on(t.letter),
  ],
);

/** What somebody wants to hear of by mail, and the code by which one press ends it. */
export const noticeWish = mysqlTable("notice_wish", {
  person: uuid("person").primaryKey(),
  wishes: json("wishes").$type<Partial<MailWishes>>().notNull(),
  token: bytesText("token", { length: 64 }).notNull().unique(),
  /** Their time zone, and from and until which hour of the day there no letter comes (core/talk/mail-hours.ts). */
  zone: bytesText("zone", { length: 64 }).notNull().default(""),
  quietFrom: int("quiet_from"),
  quietUntil: int("quiet_until"),
});
