import { index, int, json, mysqlTable, text, uniqueIndex, varchar } from "drizzle-orm/mysql-core";
import type { FetchProblem, Kind, Player } from "@/core/page/facts";
import type { FieldName, ItemType } from "@/core/cite/reference";
import type { TextQuote } from "@/core/imports/quotation";
import { bytesText, exactText, line, moment, uuid } from "./columns";
import { team } from "./people";

export type FetchState = "waiting" | "done" | "failed";

export const resource = mysqlTable(
  "resource",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    kind: varchar("kind", { length: 16 }).$type<Kind>().notNull(),
    /** The address as the person gave it; empty for a file, a note, or a work without one. */
    address: text("address").notNull(),
    /**
     * Hash of the address after core/address has made equal what is equal; without an address, of what else makes
     * it itself (the file's content, the note's words, an identifier). A resource stands once per team.
     */
    addressHash: bytesText("address_hash", { length: 43 }).notNull(),
    /** Hash of the address the page itself names as its own, when that differs. */
    canonicalHash: bytesText("canonical_hash", { length: 43 }),
    host: varchar("host", { length: 255 }).notNull(),
    title: varchar("title", { length: 500 }).notNull(),
    description: text("description").notNull(),
    /** What the team says of it to itself; readers never see it. */
    notes: text("notes").notNull().default(""),
    siteName: line("site_name", 200).notNull().default(""),
    authors: json("authors").$type<string[]>().notNull(),
    /** As precise as the source: 2026, 2026-03 or 2026-03-09. */
    published: bytesText("published", { length: 10 }),
    language: varchar("language", { length: 35 }),
    words: int("words"),
    pages: int("pages"),
    seconds: int("seconds"),
    /** Derived from words and seconds by core/text, kept so that sums need no computing. */
    minutes: int("minutes"),
    /** Kind of work and bibliographic fields by their CSL names (core/cite). */
    itemType: varchar("item_type", { length: 32 }).$type<ItemType>(),
    details: json("details").$type<Partial<Record<FieldName, string>>>().notNull(),
    /** Under which licence it is, by its id (core/licence); empty: nobody knows. */
    licence: bytesText("licence", { length: 64 }).notNull().default(""),
    /** Of a quotation: where in its source it stands (W3C TextQuoteSelector). */
    quotation: json("quotation").$type<TextQuote | null>(),
    player: json("player").$type<Player | null>(),
    /** Of a file: its name. Its bytes are in resource_file. */
    fileName: line("file_name", 255),
    pictureHash: bytesText("picture_hash", { length: 64 }),
    /** Hash of the captions of a film or a sound, as WebVTT. */
    captionsHash: bytesText("captions_hash", { length: 64 }),
    /** An older resource that seems to be the same thing; until somebody merges them or keeps them apart. */
    duplicateOf: uuid("duplicate_of"),
    /** Names of the fields a person typed; no later fetch overwrites those. */
    typed: json("typed").$type<string[]>().notNull(),
    fetchState: varchar("fetch_state", { length: 12 }).$type<FetchState>().notNull(),
    fetchProblem: varchar("fetch_problem", { length: 32 }).$type<FetchProblem>(),
    fetchedAt: moment("fetched_at"),
    /** Hash of the page as somebody's browser showed it, when they kept it; it is read instead of the address. */
    seenHash: bytesText("seen_hash", { length: 64 }),
    addedBy: uuid("added_by").notNull(),
    /** When somebody of the team last opened it. */
    usedAt: moment("used_at"),
    createdAt: moment("created_at").notNull(),
    updatedAt: moment("updated_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [
    uniqueIndex("resource_once").on(t.team, t.addressHash),
    index("resource_canonical").on(t.team, t.canonicalHash),
    index("resource_newest").on(t.team, t.deletedAt, t.id),
    index("resource_kind").on(t.team, t.deletedAt, t.kind, t.id),
    index("resource_site").on(t.team, t.deletedAt, t.host, t.id),
    index("resource_person").on(t.team, t.deletedAt, t.addedBy, t.id),
    index("resource_length").on(t.team, t.deletedAt, t.minutes, t.id),
    index("resource_state").on(t.team, t.deletedAt, t.fetchState, t.id),
    index("resource_added").on(t.team, t.deletedAt, t.createdAt, t.id),
    index("resource_language").on(t.team, t.language),
    index("resource_picture").on(t.pictureHash, t.team),
    index("resource_captions").on(t.captionsHash),
    index("resource_duplicate").on(t.team, t.duplicateOf),
  ],
);

/** One's own waiting place. */
export const trayEntry = mysqlTable(
  "tray_entry",
  {
    id: uuid("id").primaryKey(),
    person: uuid("person").notNull(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
    state: varchar("state", { length: 12 })
      .$type<"waiting" | "looked" | "use" | "away" | "placed">()
      .notNull(),
    /** What it is still to be used for: in words, or a collection and a section of it. */
    forWords: line("for_words", 200).notNull().default(""),
    forCollection: uuid("for_collection"),
    forSection: uuid("for_section"),
    createdAt: moment("created_at").notNull(),
    updatedAt: moment("updated_at").notNull(),
  },
  (t) => [
    uniqueIndex("tray_once").on(t.person, t.resource),
    index("tray_waiting").on(t.person, t.team, t.state, t.id),
  ],
);

export const tag = mysqlTable(
  "tag",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    name: line("name", 80).notNull(),
    /** The name with case, accents and spacing folded (core/tags): two names with one key are one tag. */
    key: exactText("key", { length: 80 }).notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [uniqueIndex("tag_once").on(t.team, t.key)],
);

export const resourceTag = mysqlTable(
  "resource_tag",
  {
    id: uuid("id").primaryKey(),
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
    tag: uuid("tag")
      .notNull()
      .references(() => tag.id, { onDelete: "cascade" }),
    team: uuid("team").notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [
    uniqueIndex("resource_tag_once").on(t.resource, t.tag),
    index("resource_tag_facet").on(t.team, t.tag, t.resource),
    index("resource_tag_use").on(t.team, t.tag, t.createdAt),
  ],
);
