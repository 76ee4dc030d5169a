import { boolean, index, int, mediumtext, mysqlTable, primaryKey, smallint } from "drizzle-orm/mysql-core";
import type { Facet } from "@/core/search/counted";
import { LONGEST_TERM } from "@/core/search/runs";
import { bigJson, bytes16, bytesText, exactText, line, moment, packed, uuid } from "./columns";
import { team } from "./people";

/** A version before all others. */
const NEVER = "00000000-0000-0000-0000-000000000000";

/**
 * The inverted index: which resources of a team hold a term, and how heavily (core/search). Of each term the list,
 * sorted by resource, in blocks; what was changed since stands in term_posting. Derived from resources, tags, contexts
 * and texts; `npm run search:rebuild` makes it anew.
 */
export const termBlock = mysqlTable(
  "term_block",
  {
    team: uuid("team").notNull(),
    term: exactText("term", { length: LONGEST_TERM }).notNull(),
    /** The block has the postings of resources from this id on, up to the start of the next; byte by byte. */
    start: bytes16("start").notNull(),
    /** As core/search/postings packs them. */
    pack: packed("pack").notNull(),
  },
  (t) => [primaryKey({ columns: [t.team, t.term, t.start] })],
);

/**
 * What is other than in the blocks: a resource is noted here at once when it changes, and worked into the blocks with
 * many others, because every block would have to be written again for one posting.
 */
export const termPosting = mysqlTable(
  "term_posting",
  {
    team: uuid("team").notNull(),
    term: exactText("term", { length: LONGEST_TERM }).notNull(),
    resource: uuid("resource").notNull(),
    /** Thousandths of what BM25 makes of the term's frequency in the resource, from 0 to k1 + 1; 0: not there any more. */
    weight: smallint("weight", { unsigned: true }).notNull(),
    /** Whether the term's blocks have the resource, with another weight. */
    known: boolean("known").notNull(),
    /** The term as it was written. */
    word: exactText("word", { length: LONGEST_TERM }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.team, t.term, t.resource] })],
);

/**
 * The index of what one person alone has marked: nobody else's search comes here. Derived from their private marks.
 */
export const ownTerm = mysqlTable(
  "own_term",
  {
    person: uuid("person").notNull(),
    team: uuid("team").notNull(),
    term: exactText("term", { length: LONGEST_TERM }).notNull(),
    resource: uuid("resource").notNull(),
    weight: smallint("weight", { unsigned: true }).notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.person, t.team, t.term, t.resource] }),
    index("own_term_resource").on(t.person, t.resource),
  ],
);

/** In how many resources of a team a term is, by its blocks. Of the empty term: how many resources are in the index. */
export const termStat = mysqlTable(
  "term_stat",
  {
    team: uuid("team").notNull(),
    term: exactText("term", { length: LONGEST_TERM }).notNull(),
    df: int("df").notNull(),
    /** The term as it was written somewhere, for "did you mean". */
    word: exactText("word", { length: LONGEST_TERM }).notNull(),
    /** Another one whenever the term's blocks are other ones: by it is known whether blocks read before still hold. */
    version: uuid("version").notNull().default(NEVER),
  },
  (t) => [primaryKey({ columns: [t.team, t.term] })],
);

/** The terms of a resource as they are in the index, so that a change of it changes only what is different. */
export const termList = mysqlTable(
  "term_list",
  {
    resource: uuid("resource").primaryKey(),
    team: uuid("team").notNull(),
    /** Lines of "term weight word". */
    terms: mediumtext("terms").notNull(),
    /** What is counted of it in facet_count, as core/search/counted writes it; null before it was counted. */
    counted: mediumtext("counted"),
  },
  (t) => [index("term_list_team").on(t.team)],
);

/** Resources that changed since the index was fed with them; a row a change, so that nobody waits for whoever feeds. */
export const reindexQueue = mysqlTable(
  "reindex_queue",
  { id: uuid("id").primaryKey(), resource: uuid("resource").notNull(), team: uuid("team").notNull() },
  (t) => [index("reindex_queue_team").on(t.team, t.id)],
);

/** A search somebody has saved, with when they last looked at what it finds. */
export const savedSearch = mysqlTable(
  "saved_search",
  {
    id: uuid("id").primaryKey(),
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    person: uuid("person").notNull(),
    name: line("name", 120).notNull(),
    query: line("query", 500).notNull(),
    lookedAt: moment("looked_at").notNull(),
    createdAt: moment("created_at").notNull(),
  },
  (t) => [index("saved_search_own").on(t.person, t.team, t.id)],
);

/**
 * How many resources of a team there are of each kind, site, tag and so on (core/search/counted). Kept by difference
 * with the index, by whoever feeds it, because counting a large catalogue anew takes seconds.
 */
export const facetCount = mysqlTable(
  "facet_count",
  {
    team: uuid("team").notNull(),
    facet: bytesText("facet", { length: 10 }).$type<Facet>().notNull(),
    value: exactText("value", { length: 255 }).notNull(),
    n: int("n").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.team, t.facet, t.value] }),
    index("facet_count_most").on(t.team, t.facet, t.n, t.value),
  ],
);

/** Not used any more: what was counted by the version before; it goes with the next one. */
export const cachedCount = mysqlTable(
  "cached_count",
  {
    team: uuid("team")
      .notNull()
      .references(() => team.id, { onDelete: "cascade" }),
    what: line("what", 10).$type<"facets" | "tags">().notNull(),
    /** When counting began. */
    at: moment("at").notNull(),
    counts: bigJson<unknown>("counts").notNull(),
  },
  (t) => [primaryKey({ columns: [t.team, t.what] })],
);

/** Who has a collection open, and when they last said so. */
export const presence = mysqlTable(
  "presence",
  {
    collection: uuid("collection").notNull(),
    person: uuid("person").notNull(),
    seenAt: moment("seen_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.collection, t.person] })],
);
