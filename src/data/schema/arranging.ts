import {
  boolean,
  foreignKey,
  index,
  int,
  json,
  mysqlTable,
  primaryKey,
  text,
  uniqueIndex,
  varchar,
} from "drizzle-orm/mysql-core";
import type { StyleId } from "@/core/cite/styles";
import type { GuestRole } from "@/core/policy/abilities";
import type { Audience, Reach, ReaderView, Shows, Use } from "@/core/publish/model";
import type { Look, ViewSetting } from "@/core/list/view-setting";
import { resource, tag } from "./catalogue";
import { bytesText, line, moment, uuid } from "./columns";
import { team } from "./people";

export const collection = mysqlTable(
  "collection",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    /** The collection this one stands in; null at the top. */
    parent: uuid("parent"),
    position: bytesText("position", { length: 64 }).notNull(),
    title: line("title", 200).notNull(),
    description: text("description").notNull(),
    /** The description with its marks, as sanitised HTML; empty when it has none. */
    rich: text("rich").notNull().default(""),
    audience: varchar("audience", { length: 8 }).$type<Audience>().notNull().default("team"),
    view: varchar("view", { length: 8 }).$type<ReaderView>().notNull().default("rows"),
    /** Whether who sees it sees the collections inside it, too. */
    reach: varchar("reach", { length: 8 }).$type<Reach>().notNull().default("level"),
    /** From then on it is the team's own again; null: until somebody says so. */
    sharedUntil: moment("shared_until"),
    /** Whoever sees the collection it stands in does not see this one there. */
    leftOut: boolean("left_out").notNull().default(false),
    /** The language it is written in, as BCP 47 has it; empty: nobody has said. */
    language: bytesText("language", { length: 35 }).notNull().default(""),
    /** Which other sites may set it into their pages: their origins, separated by blanks; `*`: any. */
    framedBy: text("framed_by").notNull().default("*"),
    /** How many minutes it should not take longer than; null: nobody has said. */
    aimMinutes: int("aim_minutes"),
    /** How hard to read its texts should be at most, by LIX; null: nobody has said. */
    aimLevel: int("aim_level"),
    /** Words of English its learners read in a minute; null: as those of what it stands in do, or as adults do. */
    readingPace: int("reading_pace"),
    /** In which style its works are cited; empty: as what it stands in, or as the team does. */
    citationStyle: bytesText("citation_style", { length: 140 }).$type<StyleId>().notNull().default(""),
    /** Whether its readers are given its bibliography. */
    givesReferences: boolean("gives_references").notNull().default(false),
    /** Whether its readers are told which outcomes it serves. */
    showsOutcomes: boolean("shows_outcomes").notNull().default(false),
    /** What the same material is used as; null: a collection, and no more. */
    use: varchar("used_as", { length: 12 }).$type<Use>(),
    /** Whether readers see it as it stands, or its newest edition. */
    shows: varchar("shows", { length: 8 }).$type<Shows>().notNull().default("living"),
    /** Hash of the picture on its cover; null: the cover is woven from what it holds. */
    coverHash: bytesText("cover_hash", { length: 64 }),
    /** From where it was taken with credit (`credit`); null: it was made here. */
    credit: uuid("credit"),
    /** Since when stewards of the installation hide it from everybody outside the team; null: they do not. */
    hiddenAt: moment("hidden_at"),
    /** When it was put away: kept with its links, but out of the way. */
    awayAt: moment("away_at"),
    /** Counts every change a reader could see; kept documents are compared with it. */
    version: int("version").notNull().default(1),
    createdAt: moment("created_at").notNull(),
    updatedAt: moment("updated_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [
    index("collection_tree").on(t.team, t.deletedAt, t.parent, t.position),
    index("collection_cover").on(t.coverHash),
    index("collection_hidden").on(t.team, t.hiddenAt),
  ],
);

export const section = mysqlTable(
  "section",
  {
    id: uuid("id").primaryKey(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    title: line("title", 200).notNull(),
    /** What leads into it: sanitised HTML. */
    intro: text("intro").notNull().default(""),
    /** Of a phase of a lesson: how long it takes, what the teacher does, and what learners do. */
    minutes: int("minutes"),
    teacher: text("teacher").notNull().default(""),
    learners: text("learners").notNull().default(""),
    /** It is for whoever has time left: it counts to no time that is set. */
    beyond: boolean("beyond").notNull().default(false),
    position: bytesText("position", { length: 64 }).notNull(),
    createdAt: moment("created_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [
    index("section_order").on(t.collection, t.position),
    // What a placement's section is compared with.
    uniqueIndex("section_home").on(t.id, t.collection),
  ],
);

export const placement = mysqlTable(
  "placement",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team").notNull(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    /** Null: before the first section. */
    section: uuid("section"),
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
    /** Order key within the section (core/order); compared byte by byte. */
    position: bytesText("position", { length: 64 }).notNull(),
    heading: line("heading", 300).notNull().default(""),
    context: text("context").notNull(),
    /** A note may stand as text between the items instead of as one of them. */
    look: varchar("look", { length: 8 }).$type<Look>().notNull().default("item"),
    /** Whether those see it who are not of the team. */
    forReaders: boolean("for_readers").notNull().default(true),
    /** Whether they are given the reading copy beside the original. */
    givesCopy: boolean("gives_copy").notNull().default(false),
    /** Of a film or a sound, the seconds between which it is meant here; null: from its beginning, to its end. */
    clipFrom: int("clip_from"),
    clipTo: int("clip_to"),
    /** How many minutes are meant for what is done with it: writing, talking; null: none. */
    taskMinutes: int("task_minutes"),
    /** It stays, whatever has to go to keep to the time. */
    mustStay: boolean("must_stay").notNull().default(false),
    /** Who is asked to see to it, by whom, and until which day (2026-12-03); null: nobody, no day. */
    askedOf: uuid("asked_of"),
    askedBy: uuid("asked_by"),
    askedUntil: bytesText("asked_until", { length: 10 }),
    /** From where it was taken with credit (`credit`); null: it was placed here. */
    credit: uuid("credit"),
    /** Which public collection is shown here as it stands there, live; null: none. It may be gone, or of another Hobbin. */
    shownLive: uuid("shown_live"),
    addedBy: uuid("added_by").notNull(),
    createdAt: moment("created_at").notNull(),
    updatedAt: moment("updated_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [
    index("placement_order").on(t.collection, t.section, t.position, t.id),
    index("placement_resource").on(t.resource),
    index("placement_bin").on(t.team, t.deletedAt),
    index("placement_asked").on(t.askedOf),
    index("placement_live").on(t.shownLive, t.collection),
    // A section is one of the placement's own collection.
    foreignKey({
      name: "placement_section_home",
      columns: [t.section, t.collection],
      foreignColumns: [section.id, section.collection],
    }).onDelete("cascade"),
  ],
);

/** The code in the address of a shared collection. */
export const shareLink = mysqlTable(
  "share_link",
  {
    code: bytesText("code", { length: 24 }).primaryKey(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    createdAt: moment("created_at").notNull(),
    revokedAt: moment("revoked_at"),
  },
  (t) => [index("share_link_collection").on(t.collection)],
);

/** A short code that is typed or read aloud, and what it opens. */
export const shortCode = mysqlTable(
  "short_code",
  {
    code: bytesText("code", { length: 8 }).primaryKey(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    createdAt: moment("created_at").notNull(),
    /** After which it opens nothing any more; null: as long as it is shared. */
    until: moment("until"),
    endedAt: moment("ended_at"),
  },
  (t) => [index("short_code_collection").on(t.collection)],
);

/** How one person likes to see a collection. */
export const viewSetting = mysqlTable(
  "view_setting",
  {
    person: uuid("person").notNull(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    view: json("view").$type<ViewSetting>().notNull(),
    updatedAt: moment("updated_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.person, t.collection] })],
);

/** When a person last looked at a collection for a while, by the database's own clock: what came since is new to them. */
export const lastVisit = mysqlTable(
  "last_visit",
  {
    person: uuid("person").notNull(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    at: moment("at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.person, t.collection] })],
);

/** Who is let into one collection, and what stands in it, without being in its team. */
export const guest = mysqlTable(
  "guest",
  {
    person: uuid("person").notNull(),
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    role: varchar("role", { length: 16 }).$type<GuestRole>().notNull(),
    createdAt: moment("created_at").notNull(),
  },
  // Asked for by the person, with everything a guest does.
  (t) => [primaryKey({ columns: [t.person, t.collection] }), index("guest_of").on(t.collection)],
);

/** Subjects of a collection as a whole. */
export const collectionTag = mysqlTable(
  "collection_tag",
  {
    collection: uuid("collection")
      .notNull()
      .references(() => collection.id, { onDelete: "cascade" }),
    tag: uuid("tag")
      .notNull()
      .references(() => tag.id, { onDelete: "cascade" }),
    team: uuid("team").notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.collection, t.tag] }), index("collection_tag_tag").on(t.team, t.tag)],
);
