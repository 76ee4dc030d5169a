import { boolean, index, int, mysqlTable, primaryKey, uniqueIndex, varchar } from "drizzle-orm/mysql-core";
import type { Use } from "@/core/publish/model";
import type { FeedProblem } from "@/core/feeds/problem";
import type { Followed } from "@/core/shelves/followed";
import type { Listing } from "@/core/shelves/listing";
import { collection } from "./arranging";
import { bigJson, bytesText, exactText, line, moment, uuid } from "./columns";
import { team } from "./people";

/**
 * What is known of each collection that is public by itself, where public ones are looked for. Derived from what its
 * readers are shown. Its words stand in the index of words under `PUBLIC` in place of a team.
 */
export const listing = mysqlTable(
  "listing",
  {
    collection: uuid("collection")
      .primaryKey()
      .references(() => collection.id, { onDelete: "cascade" }),
    /** When it was first public; one that is public anew is not new. */
    since: moment("since").notNull(),
    /** Counts what changed for its readers, in the transaction that changed it. */
    noted: int("noted").notNull(),
    /** As which of these counts it has been read; another one: what stands here is old. */
    taken: int("taken").notNull(),
    /** Null: it is not public any more, or was not read yet. */
    content: bigJson<Listing>("content"),
    /** What of it shelves go by: what it is used as, its language (the first two letters), how long it takes, its level. */
    use: varchar("used_as", { length: 12 }).$type<Use>(),
    language: bytesText("language", { length: 2 }).notNull().default(""),
    minutes: int("minutes").notNull().default(0),
    /** The middle one of its texts by LIX; null: that is known of none. */
    level: int("level"),
    /** When what came last was placed there; null: there is nothing in it. */
    newest: moment("newest"),
    /** How many addresses it has, and how many subjects. */
    addresses: int("addresses").notNull().default(0),
    tagged: int("tagged").notNull().default(0),
  },
  (t) => [index("listing_new").on(t.since, t.collection)],
);

/** What somebody follows: a public collection, what a team makes public, a subject, what words find, or a feed from elsewhere. */
export const follow = mysqlTable(
  "follow",
  {
    id: uuid("id").primaryKey(),
    /** Into which team what is new would be taken. */
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    person: uuid("person").notNull(),
    kind: varchar("kind", { length: 10 }).$type<Followed>().notNull(),
    /** The id of the collection or the team; the subject; the words; the address of the feed. */
    what: line("what", 500).notNull(),
    /** What it was called when it was followed. */
    name: line("name", 200).notNull(),
    /** Its kind and what, as a hash: each is followed once. */
    hash: bytesText("hash", { length: 43 }).notNull(),
    /** What came until then was looked at. */
    seenAt: moment("seen_at").notNull(),
    /** Whether what comes goes into the Tray by itself; null: it does not. What came before this moment has not gone there. */
    trayFrom: moment("tray_from"),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [uniqueIndex("follow_once").on(t.person, t.team, t.hash), index("follow_hash").on(t.hash, t.kind)],
);

/** A feed from elsewhere, once however many follow it; it is here because of a follow with the same hash. */
export const feed = mysqlTable(
  "feed",
  {
    id: uuid("id").primaryKey(),
    /** The hash of the follows that are of it. */
    hash: bytesText("hash", { length: 43 }).notNull(),
    /** Where it is asked for: where it was followed, or where that said it has moved for good. */
    address: bytesText("address", { length: 2000 }).notNull(),
    title: line("title", 200).notNull().default(""),
    /** The page it belongs to; empty: it names none. */
    home: bytesText("home", { length: 2000 }).notNull().default(""),
    /** What the last whole answer is known by (RFC 9110, 8.8), and its content. */
    etag: bytesText("etag", { length: 500 }).notNull().default(""),
    modified: bytesText("modified", { length: 100 }).notNull().default(""),
    digest: bytesText("digest", { length: 64 }).notNull().default(""),
    /** Why it could not be read the last time, and how often in a row; empty: it could. */
    problem: varchar("problem", { length: 20 }).$type<FeedProblem>(),
    failures: int("failures").notNull().default(0),
    /** When it last answered as a feed. */
    readAt: moment("read_at"),
    /** When it is asked next; and after how long it usually is, by what came, in milliseconds. */
    nextAt: moment("next_at").notNull(),
    usual: int("usual").notNull().default(21_600_000),
  },
  (t) => [uniqueIndex("feed_hash").on(t.hash), index("feed_next").on(t.nextAt)],
);

/** What came in a feed. */
export const feedEntry = mysqlTable(
  "feed_entry",
  {
    feed: uuid("feed")
      .notNull()
      .references(() => feed.id, { onDelete: "cascade" }),
    /** Of its address, as resources are known by: each comes once, whatever ids the feed gives it. */
    hash: bytesText("hash", { length: 43 }).notNull(),
    address: bytesText("address", { length: 2000 }).notNull(),
    title: line("title", 500).notNull(),
    about: line("about", 600).notNull(),
    published: moment("published"),
    /** When it was first seen here; of what stood in the feed when it was first read, when it says it came out. */
    cameAt: moment("came_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.feed, t.hash] }), index("feed_entry_came").on(t.feed, t.cameAt)],
);

const ofListing = () => ({
  collection: uuid("collection")
    .notNull()
    .references(() => collection.id, { onDelete: "cascade" }),
  team: uuid("team").notNull(),
});

/** Which addresses stand in which public collection, as its readers are shown it. */
export const listedAddress = mysqlTable(
  "listed_address",
  { hash: bytesText("hash", { length: 43 }).notNull(), ...ofListing() },
  (t) => [
    primaryKey({ columns: [t.hash, t.collection] }),
    index("listed_address_of").on(t.collection, t.hash),
  ],
);

/** Which subjects a public collection has: its own, and those of what stands in it; folded as tags are. */
export const listedTag = mysqlTable(
  "listed_tag",
  { key: exactText("key", { length: 80 }).notNull(), name: line("name", 80).notNull(), ...ofListing() },
  (t) => [primaryKey({ columns: [t.key, t.collection] }), index("listed_tag_of").on(t.collection)],
);

/**
 * From which public collection something was taken with credit, at one time: all of it, a section, or items. What was made
 * of it names this (`collection.credit`, `placement.credit`), wherever it moves. What it was taken from may have changed,
 * closed or gone since; what is said of it here is as it was then.
 */
export const credit = mysqlTable(
  "credit",
  {
    id: uuid("id").primaryKey(),
    /** The team that took it. */
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    /** What it was taken from, in whatever team; there may be no such collection any more. */
    lender: uuid("lender").notNull(),
    title: line("title", 200).notNull(),
    teamName: line("team_name", 120).notNull(),
    /** The number of the edition its readers were given; null: they were shown it as it stood. */
    edition: int("edition"),
    /** The code at which its readers found it. */
    code: bytesText("code", { length: 24 }).notNull(),
    /** SHA-256 of what it was, as an edition is stored: later changes are told from it. */
    digest: bytesText("digest", { length: 64 }).notNull(),
    /** What became of what: ids there with ids here, of collections, sections and placements. */
    pairs: bigJson<Record<string, string>>("pairs").notNull(),
    /** What was left of what the lender has changed since (core/shelves/offered). */
    settled: bigJson<Record<string, string>>("settled").notNull(),
    /** Whether later changes are to be offered. */
    asks: boolean("asks").notNull().default(true),
    takenAt: moment("taken_at").notNull(),
  },
  (t) => [
    index("credit_team").on(t.team),
    index("credit_lender").on(t.lender, t.team, t.takenAt),
    index("credit_digest").on(t.digest),
  ],
);
