import { index, int, json, mysqlTable, text, varchar } from "drizzle-orm/mysql-core";
import type { LinkState } from "@/core/health/link-state";
import type { DeadInside } from "@/core/health/inside";
import type { Way } from "@/core/health/ways";
import { resource } from "./catalogue";
import { bytesText, moment, uuid } from "./columns";

/** What is known of an address that is watched: one row a resource that has one. */
export const linkWatch = mysqlTable(
  "link_watch",
  {
    resource: uuid("resource")
      .primaryKey()
      .references(() => resource.id, { onDelete: "cascade" }),
    team: uuid("team").notNull(),
    host: varchar("host", { length: 255 }).notNull(),
    /** When it is to be asked again. */
    nextAt: moment("next_at").notNull(),
    /** When it was asked last; null: never. */
    askedAt: moment("asked_at"),
    state: varchar("state", { length: 12 }).$type<LinkState>().notNull().default("ok"),
    /** How often in a row it has been so, and since when. */
    times: int("times").notNull().default(0),
    since: moment("since"),
    /** Where it says that it stands now; empty: nowhere else. */
    movedTo: text("moved_to").notNull().default(""),
    /** What its last answer was known by (RFC 9110, 8.8). */
    etag: bytesText("etag", { length: 500 }).notNull().default(""),
    modified: bytesText("modified", { length: 100 }).notNull().default(""),
    /** Of all words on the page as it was when nothing was wrong with it (core/text/min-hash); empty: too few, or not a page. */
    signature: bytesText("signature", { length: 512 }).notNull().default(""),
    /** Where its page may stand now, as it was looked for, and when; null: never. */
    ways: json("ways").$type<Way[]>(),
    soughtAt: moment("sought_at"),
    /** How many links in its reading copy were asked, which of them are dead, and when; null: never. */
    insideAsked: int("inside_asked"),
    insideDead: json("inside_dead").$type<DeadInside[]>(),
    insideAt: moment("inside_at"),
    /** The state somebody said is alright; null: none. */
    settled: varchar("settled", { length: 12 }).$type<LinkState>(),
  },
  (t) => [
    index("link_watch_due").on(t.nextAt),
    index("link_watch_host").on(t.host, t.nextAt),
    index("link_watch_found").on(t.team, t.state, t.times),
    index("link_watch_spread").on(t.team, t.host, t.askedAt),
  ],
);
