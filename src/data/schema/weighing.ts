import {
  bigint,
  boolean,
  index,
  int,
  json,
  mysqlTable,
  primaryKey,
  text,
  uniqueIndex,
  varchar,
} from "drizzle-orm/mysql-core";
import type { Answers } from "@/core/appraise/answers";
import type { Criterion } from "@/core/appraise/criteria";
import type { SearchKind } from "@/core/appraise/flow";
import type { RoundState } from "@/core/appraise/rounds";
import { resource } from "./catalogue";
import { bigJson, bytesText, line, moment, uuid } from "./columns";
import { team } from "./people";

const ofTeam = () =>
  uuid("team")
    .notNull()
    .references(() => team.id, { onDelete: "cascade" });

/** A set of criteria by which a team judges things. Its words stand in its versions. */
export const criteria = mysqlTable(
  "criteria",
  {
    id: uuid("id").primaryKey(),
    team: ofTeam(),
    name: line("name", 120).notNull(),
    /** Which of its versions is in use. */
    version: int("version").notNull(),
    createdBy: uuid("created_by").notNull(),
    createdAt: moment("created_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [index("criteria_team").on(t.team, t.deletedAt)],
);

/** What a set asked at one time. It never changes, because judgements were given to these words. */
export const criteriaVersion = mysqlTable(
  "criteria_version",
  {
    criteria: uuid("criteria")
      .notNull()
      .references(() => criteria.id, { onDelete: "cascade" }),
    number: int("number").notNull(),
    content: bigJson<Criterion[]>("content").notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.criteria, t.number] })],
);

/** Things that some people judge by one set of criteria, until they have settled on what they think. */
export const round = mysqlTable(
  "round",
  {
    id: uuid("id").primaryKey(),
    team: ofTeam(),
    title: line("title", 120).notNull(),
    criteria: uuid("criteria")
      .notNull()
      .references(() => criteria.id, { onDelete: "cascade" }),
    /** The version of the criteria everybody judges by. */
    number: int("number").notNull(),
    /** Until it is opened nobody sees what others think of what is in it. */
    blind: boolean("blind").notNull(),
    /** How many judge each thing. */
    each: int("each").notNull(),
    state: varchar("state", { length: 12 }).$type<RoundState>().notNull(),
    /** The round of a screening whose things it goes on with. */
    after: uuid("after_round"),
    /** What its shortlist may cost, in thousandths of the currency; null: as much as it does. */
    budget: bigint("budget", { mode: "number" }),
    /** Of ISO 4217; empty: none is said. */
    currency: bytesText("currency", { length: 3 }).notNull().default(""),
    createdBy: uuid("created_by").notNull(),
    createdAt: moment("created_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [index("round_team").on(t.team, t.deletedAt, t.id), index("round_criteria").on(t.criteria, t.state)],
);

/** Who shall judge what in a round. */
export const roundShare = mysqlTable(
  "round_share",
  {
    round: uuid("round")
      .notNull()
      .references(() => round.id, { onDelete: "cascade" }),
    /** Where the resource stands in the round. */
    position: int("position").notNull(),
    person: uuid("person").notNull(),
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
    /** Asked when the round had been opened: what they think is heard when settling, and is no measure of agreement. */
    third: boolean("third").notNull().default(false),
  },
  (t) => [
    primaryKey({ columns: [t.round, t.position, t.person] }),
    index("round_share_resource").on(t.resource, t.round),
    index("round_share_person").on(t.person, t.round),
  ],
);

const judged = () => ({
  id: uuid("id").primaryKey(),
  team: ofTeam(),
  resource: uuid("resource")
    .notNull()
    .references(() => resource.id, { onDelete: "cascade" }),
  criteria: uuid("criteria")
    .notNull()
    .references(() => criteria.id, { onDelete: "cascade" }),
  /** To which version of the criteria the answers are. */
  number: int("number").notNull(),
  answers: bigJson<Answers>("answers").notNull(),
  /** Who gave them, or wrote down what was agreed. */
  person: uuid("person").notNull(),
  createdAt: moment("created_at").notNull(),
  updatedAt: moment("updated_at").notNull(),
  deletedAt: moment("deleted_at"),
});

/** What one person thinks of a resource by a set of criteria. */
export const appraisal = mysqlTable(
  "appraisal",
  {
    ...judged(),
    /** In which round; null: on its own. */
    round: uuid("round").references(() => round.id, { onDelete: "cascade" }),
    /** Every question has its answer. */
    whole: boolean("whole").notNull(),
    /** Which reading copy there was; null: none. */
    copy: int("copy"),
  },
  (t) => [
    // Outside of rounds there is one as well: whoever judges holds the resource.
    uniqueIndex("appraisal_once").on(t.resource, t.criteria, t.person, t.round),
    index("appraisal_round").on(t.round, t.resource, t.person),
    index("appraisal_team").on(t.team, t.criteria, t.resource),
  ],
);

/** What those who judged a resource agreed on. */
export const agreed = mysqlTable(
  "agreed",
  {
    ...judged(),
    round: uuid("round")
      .notNull()
      .references(() => round.id, { onDelete: "cascade" }),
    /** Who agreed. */
    people: json("people").$type<string[]>().notNull(),
  },
  (t) => [
    uniqueIndex("agreed_once").on(t.round, t.resource),
    index("agreed_team").on(t.team, t.criteria, t.resource),
  ],
);

/** What is wished of a thing in a round: what one costs, how many, and how much it is wanted. */
export const wish = mysqlTable(
  "wish",
  {
    id: uuid("id").primaryKey(),
    team: ofTeam(),
    round: uuid("round")
      .notNull()
      .references(() => round.id, { onDelete: "cascade" }),
    resource: uuid("resource")
      .notNull()
      .references(() => resource.id, { onDelete: "cascade" }),
    /** In thousandths of the currency; null: nobody knows. */
    price: bigint("price", { mode: "number" }),
    number: int("number").notNull(),
    /** 1: first of all; null: not said. */
    priority: int("priority"),
    createdAt: moment("created_at").notNull(),
    updatedAt: moment("updated_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [uniqueIndex("wish_once").on(t.round, t.resource), index("wish_team").on(t.team)],
);

/** A search that was made for a review: where, when, with which words, and how much it found. */
export const searchRecord = mysqlTable(
  "search_record",
  {
    id: uuid("id").primaryKey(),
    team: ofTeam(),
    /** The first round of the review. */
    round: uuid("round")
      .notNull()
      .references(() => round.id, { onDelete: "cascade" }),
    kind: varchar("kind", { length: 12 }).$type<SearchKind>().notNull(),
    source: line("source", 200).notNull(),
    /** The day it was made, as precise as it is known: 2026-03-09. */
    searched: bytesText("searched", { length: 10 }),
    words: text("words").notNull(),
    hits: int("hits").notNull(),
    createdBy: uuid("created_by").notNull(),
    createdAt: moment("created_at").notNull(),
    deletedAt: moment("deleted_at"),
  },
  (t) => [index("search_record_round").on(t.round, t.deletedAt), index("search_record_team").on(t.team)],
);
