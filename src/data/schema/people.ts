import type { PairedFor } from "@/core/policy/paired";
import {
  bigint,
  boolean,
  index,
  int,
  json,
  mysqlTable,
  text,
  uniqueIndex,
  varchar,
} from "drizzle-orm/mysql-core";
import type { StyleId } from "@/core/cite/styles";
import { bytesText, exactText, line, moment, uuid } from "./columns";

/** The first four tables are shaped as the accounts library (better-auth) expects them. */
export const person = mysqlTable("person", {
  id: uuid("id").primaryKey(),
  name: line("name", 120).notNull(),
  email: exactText("email", { length: 255 }).notNull().unique(),
  emailVerified: boolean("email_verified").notNull().default(false),
  image: text("image"),
  createdAt: moment("created_at").notNull(),
  updatedAt: moment("updated_at").notNull(),
});

export const session = mysqlTable(
  "session",
  {
    id: uuid("id").primaryKey(),
    expiresAt: moment("expires_at").notNull(),
    token: bytesText("token", { length: 255 }).notNull().unique(),
    createdAt: moment("created_at").notNull(),
    updatedAt: moment("updated_at").notNull(),
    ipAddress: varchar("ip_address", { length: 64 }),
    userAgent: text("user_agent"),
    userId: uuid("person")
      .notNull()
      .references(() => person.id, { onDelete: "cascade" }),
  },
  (t) => [index("session_person").on(t.userId)],
);

export const account = mysqlTable(
  "account",
  {
    id: uuid("id").primaryKey(),
    accountId: varchar("account_id", { length: 255 }).notNull(),
    providerId: varchar("provider_id", { length: 64 }).notNull(),
    userId: uuid("person")
      .notNull()
      .references(() => person.id, { onDelete: "cascade" }),
    accessToken: text("access_token"),
    refreshToken: text("refresh_token"),
    idToken: text("id_token"),
    accessTokenExpiresAt: moment("access_token_expires_at"),
    refreshTokenExpiresAt: moment("refresh_token_expires_at"),
    scope: text("scope"),
    password: text("password"),
    createdAt: moment("created_at").notNull(),
    updatedAt: moment("updated_at").notNull(),
  },
  (t) => [index("account_person").on(t.userId)],
);

export const verification = mysqlTable(
  "verification",
  {
    id: uuid("id").primaryKey(),
    identifier: varchar("identifier", { length: 255 }).notNull(),
    value: text("value").notNull(),
    expiresAt: moment("expires_at").notNull(),
    createdAt: moment("created_at").notNull(),
    updatedAt: moment("updated_at").notNull(),
  },
  (t) => [index("verification_identifier").on(t.identifier)],
);

/** How often an address tried to sign in; shared by all processes. */
export const rateLimit = mysqlTable("rate_limit", {
  id: uuid("id").primaryKey(),
  key: varchar("key", { length: 255 }).notNull().unique(),
  count: int("count").notNull(),
  lastRequest: bytesText("last_request", { length: 20 }).notNull(),
});

export const accessToken = mysqlTable(
  "access_token",
  {
    id: uuid("id").primaryKey(),
    person: uuid("person")
      .notNull()
      .references(() => person.id, { onDelete: "cascade" }),
    name: line("name", 120).notNull(),
    hash: bytesText("hash", { length: 64 }).notNull().unique(),
    /** What the holder may do: everything its person may, or only bring things in. */
    scope: varchar("scope", { length: 12 }).$type<"all" | PairedFor>().notNull().default("all"),
    createdAt: moment("created_at").notNull(),
    lastUsedAt: moment("last_used_at"),
    revokedAt: moment("revoked_at"),
  },
  (t) => [index("access_token_person").on(t.person)],
);

/** A code that pairs a browser extension with a person, once and for some minutes. */
export const pairing = mysqlTable("pairing", {
  hash: bytesText("hash", { length: 64 }).primaryKey(),
  person: uuid("person")
    .notNull()
    .references(() => person.id, { onDelete: "cascade" }),
  /** What the token that is given for it may do. */
  scope: varchar("scope", { length: 12 }).$type<PairedFor>().notNull().default("capture"),
  createdAt: moment("created_at").notNull(),
});

export const team = mysqlTable("team", {
  id: uuid("id").primaryKey(),
  name: line("name", 120).notNull(),
  /** The person whose own team of one this is; null for a team that was made. Unique, so that nobody gets two. */
  ownOf: uuid("own_of").unique(),
  /** In which style works are cited where no collection says so; empty: nobody has said. */
  citationStyle: bytesText("citation_style", { length: 140 }).$type<StyleId>().notNull().default(""),
  /** For how many days what is deleted waits in the bin. */
  keepBin: int("keep_bin").notNull().default(30),
  /** For how many days it is written down who signed in, was invited, took something out. */
  keepLog: int("keep_log").notNull().default(400),
  /** For how many days suggestions stay that were decided, and handouts that are over; null: for good. */
  keepSuggestions: int("keep_suggestions"),
  keepHandouts: int("keep_handouts"),
  /** Whether it has a page that lists what it made public, and what that says of the team. */
  hasPage: boolean("has_page").notNull().default(false),
  pageWords: text("page_words").notNull().default(""),
  /** The hash of the picture on it. */
  pagePicture: bytesText("page_picture", { length: 64 }),
  createdAt: moment("created_at").notNull(),
});

/** The public page of a person who wishes one: the public collections of their teams in which they placed something. */
export const personPage = mysqlTable("person_page", {
  person: uuid("person")
    .primaryKey()
    .references(() => person.id, { onDelete: "cascade" }),
  open: boolean("open").notNull().default(false),
  words: text("words").notNull().default(""),
  /** Whether their picture stands on it. */
  picture: boolean("picture").notNull().default(false),
  /** Collections that are not to stand on it, by their ids. */
  leftOut: json("left_out").$type<string[]>().notNull(),
});

export const membership = mysqlTable(
  "membership",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    person: uuid("person")
      .notNull()
      .references(() => person.id, { onDelete: "cascade" }),
    role: varchar("role", { length: 16 }).$type<"owner" | "editor" | "contributor" | "viewer">().notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [uniqueIndex("membership_once").on(t.person, t.team), index("membership_team").on(t.team)],
);

export const invitation = mysqlTable(
  "invitation",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    /** Where it lets in as a guest; null: into the team. One that is gone for good lets in nowhere. */
    collection: uuid("collection"),
    role: varchar("role", { length: 16 }).$type<"owner" | "editor" | "contributor" | "viewer">().notNull(),
    code: bytesText("code", { length: 32 }).notNull().unique(),
    /** What leads there when it is typed at /go; null: nothing short does. */
    short: bytesText("short", { length: 16 }).unique(),
    madeBy: uuid("made_by").notNull(),
    /** Whom it was sent to by mail, and who alone takes it up; null: a link for whoever has it. */
    address: exactText("address", { length: 255 }),
    /** How many it lets in; null: as many as come. */
    most: int("most"),
    /** How many it has let in. */
    used: int("used").notNull().default(0),
    createdAt: moment("created_at").notNull(),
    expiresAt: moment("expires_at").notNull(),
    revokedAt: moment("revoked_at"),
  },
  (t) => [index("invitation_team").on(t.team)],
);

/** How much of a limit has been used, as the library for limits keeps it; the keys say nothing of whom they are about. */
export const limitUse = mysqlTable("limit_use", {
  key: bytesText("key", { length: 255 }).primaryKey(),
  points: int("points").notNull().default(0),
  /** When it is forgotten, in milliseconds since 1970. */
  expire: bigint("expire", { mode: "number", unsigned: true }),
});
