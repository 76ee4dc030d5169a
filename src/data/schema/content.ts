import {
  int,
  mediumtext,
  mysqlTable,
  primaryKey,
  uniqueIndex,
  index,
  varchar,
  text,
} from "drizzle-orm/mysql-core";
import type { RuleUnless, RuleWhen } from "@/core/rules/fits";
import type { HitState } from "@/core/rules/wrong";
import type { PageFacts } from "@/core/page/facts";
import { bigJson, bytesText, line, moment, uuid } from "./columns";
import { resource } from "./catalogue";

/** Where a reading copy comes from: fetched, seen in somebody's browser, typed or pasted, a mail, a file. */
export type CopyOrigin = "fetched" | "seen" | "typed" | "mail" | "file";

/** The long text of a resource, apart, so that lists do not drag it along. */
export const resourceText = mysqlTable("resource_text", {
  resource: uuid("resource")
    .primaryKey()
    .references(() => resource.id, { onDelete: "cascade" }),
  origin: varchar("origin", { length: 12 }).$type<CopyOrigin>().notNull(),
  /** The reading copy: sanitised HTML. */
  html: mediumtext("html").notNull(),
  /** Its plain words. */
  text: mediumtext("text").notNull(),
  /** MinHash of the words (core/text/min-hash); empty for texts too short to be compared. */
  signature: bytesText("signature", { length: 512 }).notNull(),
  /** How hard it is to read (core/text/lix); null where that cannot be said, or was not when it was read. */
  lix: int("lix"),
  at: moment("at").notNull(),
  /** Counts the copies it has had; marks say on which one they were made. */
  number: int("number").notNull().default(1),
});

/** Bands of the signatures: two texts that share one are looked at more closely. */
export const nearText = mysqlTable(
  "near_text",
  {
    team: uuid("team").notNull(),
    band: bytesText("band", { length: 12 }).notNull(),
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
  },
  (t) => [primaryKey({ columns: [t.team, t.band, t.resource] }), index("near_text_resource").on(t.resource)],
);

/** The file a resource is. */
export const resourceFile = mysqlTable(
  "resource_file",
  {
    resource: uuid("resource")
      .primaryKey()
      .references(() => resource.id, { onDelete: "cascade" }),
    team: uuid("team").notNull(),
    hash: bytesText("hash", { length: 64 }).notNull(),
    name: line("name", 255).notNull(),
    /** Media type as found in the content, not as claimed. */
    type: varchar("type", { length: 100 }).notNull(),
    bytes: int("bytes").notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [index("resource_file_hash").on(t.hash, t.team)],
);

/** Pictures a page offers, the best first. */
export const pictureCandidate = mysqlTable(
  "picture_candidate",
  {
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
    no: int("no").notNull(),
    address: text("address").notNull(),
  },
  (t) => [primaryKey({ columns: [t.resource, t.no] })],
);

/** A picture that is kept with a reading copy. */
export const textPicture = mysqlTable(
  "text_picture",
  {
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
    /** Of which copy. */
    number: int("number").notNull(),
    /** Behind how much of its text it stands (core/page/text-pictures), and which one there. */
    at: int("at").notNull(),
    no: int("no").notNull(),
    hash: bytesText("hash", { length: 64 }).notNull(),
    alt: text("alt").notNull(),
    width: int("width").notNull(),
    height: int("height").notNull(),
  },
  (t) => [primaryKey({ columns: [t.resource, t.number, t.no] }), index("text_picture_hash").on(t.hash)],
);

/** What a new look at a page found, until somebody takes it or leaves it. */
export const proposal = mysqlTable("resource_proposal", {
  resource: uuid("resource")
    .primaryKey()
    .references(() => resource.id, { onDelete: "cascade" }),
  facts: bigJson<PageFacts>("facts").notNull(),
  pictureHash: bytesText("picture_hash", { length: 64 }),
  /** Null: there was no text to be read. */
  copy: bigJson<{ html: string; text: string; signature: string }>("copy"),
  at: moment("at").notNull(),
});

/** A rule of the team: what is brought in and fits is placed and tagged, or a suggestion is made. */
export const rule = mysqlTable(
  "rule",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team").notNull(),
    name: line("name", 120).notNull(),
    /** What must hold, all of it (core/rules). */
    when: bigJson<RuleWhen>("when_").notNull(),
    /** What is left out although it fits, because the rule was wrong about it; null: nothing. */
    unless: bigJson<RuleUnless[]>("unless_"),
    collection: uuid("collection"),
    section: uuid("section"),
    tags: bigJson<string[]>("tags").notNull(),
    acts: int("acts").notNull(),
    createdBy: uuid("created_by").notNull(),
    createdAt: moment("created_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [index("rule_team").on(t.team, t.id)],
);

/** What a rule did to a resource, or suggests. */
export const ruleHit = mysqlTable(
  "rule_hit",
  {
    id: uuid("id").primaryKey(),
    rule: uuid("rule").notNull(),
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
    team: uuid("team").notNull(),
    state: varchar("state", { length: 12 }).$type<HitState>().notNull(),
    /** The collection it was put into, and the tags it was given, so that just these are taken back; null: none. */
    placedIn: uuid("placed_in"),
    tagged: bigJson<string[]>("tagged"),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [
    uniqueIndex("rule_hit_once").on(t.resource, t.rule),
    index("rule_hit_of_rule").on(t.rule, t.state, t.id),
  ],
);

/** Two resources that are not the same thing, somebody said. The smaller id stands first. */
export const duplicateApart = mysqlTable(
  "duplicate_apart",
  { a: uuid("a").notNull(), b: uuid("b").notNull(), team: uuid("team").notNull() },
  (t) => [primaryKey({ columns: [t.a, t.b] })],
);

/** A citation style a team has added from a file. Taken off the list it stays for whatever is set in it. */
export const citationStyle = mysqlTable(
  "citation_style",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team").notNull(),
    /** By its content (core/cite/styles). */
    style: bytesText("style", { length: 140 }).notNull(),
    name: line("name", 200).notNull(),
    xml: mediumtext("xml").notNull(),
    addedBy: uuid("added_by").notNull(),
    createdAt: moment("created_at").notNull(),
    /** When it was taken off the list. */
    removedAt: moment("removed_at"),
  },
  (t) => [uniqueIndex("citation_style_once").on(t.team, t.style)],
);
