import { sql } from "drizzle-orm";
import { boolean, index, int, json, mysqlTable, text, uniqueIndex, varchar } from "drizzle-orm/mysql-core";
import type { Ability } from "@/core/policy/abilities";
import type { Change } from "@/core/history/change";
import { bigJson, bytesText, line, moment, uuid } from "./columns";

/** What happened. The order of events is (at, id). */
export const event = mysqlTable(
  "event",
  {
    id: uuid("id").primaryKey(),
    at: moment("at").notNull(),
    team: uuid("team").notNull(),
    collection: uuid("collection"),
    /** Null when Hobbin itself did it, in a job. */
    actor: uuid("actor"),
    /** The name of the action: placements.move, resources.fetched … */
    verb: varchar("verb", { length: 48 }).notNull(),
    subject: uuid("subject").notNull(),
    data: json("data").$type<Record<string, unknown>>().notNull(),
    /**
     * Everything the event stands for, before and after, so that a history can be gone through backwards. What was added
     * with something else is not in it: its row says when it was. It is not sent to those who listen.
     */
    changes: bigJson<Change[]>("changes"),
    /** When it was written, by the database's own clock: what those who listen go by. */
    written: moment("written")
      .notNull()
      .default(sql`current_timestamp(3)`),
    /** The only one who hears of it: what is in somebody's own Tray, or in a message to them. Null: the team. */
    onlyFor: uuid("only_for"),
  },
  (t) => [
    index("event_order").on(t.at, t.id),
    index("event_team").on(t.team, t.at, t.id),
    // For the log of a kind that is rare: all else is passed over without reading it.
    index("event_kind").on(t.team, t.verb, t.at, t.id),
    index("event_subject").on(t.subject, t.at),
    index("event_written").on(t.written, t.id),
    index("event_in").on(t.collection, t.written, t.id),
  ],
);

/**
 * A collection as it was at a time, from before which its events have been cleared. What came later is found by going
 * back from what there is now.
 */
export const snapshot = mysqlTable(
  "snapshot",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team").notNull(),
    collection: uuid("collection").notNull(),
    at: moment("at").notNull(),
    /** What there was, by the name of `core/history/rewind`, with its fields. */
    state: bigJson<[string, Record<string, unknown>][]>("state").notNull(),
  },
  (t) => [uniqueIndex("snapshot_of").on(t.collection, t.at)],
);

export type JobState = "ready" | "running" | "dead";

/** Work for later. A job that is done is gone; one that failed too often stays as dead and can be retried. */
export const job = mysqlTable(
  "job",
  {
    id: uuid("id").primaryKey(),
    kind: varchar("kind", { length: 48 }).notNull(),
    /** Two jobs with one key are one job. */
    uniqueKey: varchar("unique_key", { length: 120 }).unique(),
    team: uuid("team"),
    payload: json("payload").$type<Record<string, unknown>>().notNull(),
    state: varchar("state", { length: 8 }).$type<JobState>().notNull(),
    /** 0 for what a person waits for, 5 for what came in by the hundred. */
    priority: int("priority").notNull().default(0),
    runAt: moment("run_at").notNull(),
    attempts: int("attempts").notNull().default(0),
    leasedBy: bytesText("leased_by", { length: 36 }),
    leaseUntil: moment("lease_until"),
    /** Asked for once more while it ran: then it is run again, with all it was asked for. */
    again: boolean("again").notNull().default(false),
    error: text("error"),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [
    // In the order of the claim, so that a claim locks the rows it takes and no others.
    index("job_claim").on(t.state, t.priority, t.runAt, t.id),
    index("job_lease").on(t.state, t.leaseUntil),
    index("job_team").on(t.team, t.state),
  ],
);

/** A running worker says that it lives. */
export const worker = mysqlTable(
  "worker",
  {
    id: uuid("id").primaryKey(),
    startedAt: moment("started_at").notNull(),
    seenAt: moment("seen_at").notNull(),
  },
  (t) => [index("worker_seen").on(t.seenAt)],
);

/** A file kept by the hash of its content. */
export const fileBlob = mysqlTable("file_blob", {
  hash: bytesText("hash", { length: 64 }).primaryKey(),
  bytes: int("bytes").notNull(),
  type: varchar("type", { length: 100 }).notNull(),
  /** Of a picture: the hash of the small one that stands in documents. It is made again when it has been cleared. */
  small: bytesText("small", { length: 64 }),
  createdAt: moment("created_at").notNull(),
});

export type HistoryState = "done" | "undone" | "dropped";

/** Something one person did, with what is needed to take it back. The newest hundred of each person and team are kept. */
export const historyEntry = mysqlTable(
  "history_entry",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team").notNull(),
    person: uuid("person").notNull(),
    /** In words, to follow "Undo: ". */
    words: line("words", 200).notNull(),
    /** What the person must be allowed to, to take it back. */
    ability: varchar("ability", { length: 12 }).$type<Ability>().notNull(),
    changes: bigJson<Change[]>("changes").notNull(),
    state: varchar("state", { length: 8 }).$type<HistoryState>().notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [index("history_entry_own").on(t.person, t.team, t.id)],
);
