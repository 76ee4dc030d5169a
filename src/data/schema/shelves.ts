import { boolean, index, int, mysqlTable } from "drizzle-orm/mysql-core";
import type { Listing } from "@/core/shelves/listing";
import { collection } from "./arranging";
import { bigJson, bytesText, line, moment, uuid } from "./columns";
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
  },
  (t) => [index("listing_new").on(t.since, t.collection)],
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
    index("credit_lender").on(t.lender, t.team),
    index("credit_digest").on(t.digest),
  ],
);
