import type { EntityType } from "@/core/history/change";

/** How a table joins what reaches over many tables. */
export type Ties = {
  /** The entity by which its changes are taken back; null: they are not, or something else takes them back. */
  undo: EntityType | readonly EntityType[] | null;
  /** `itself`: a row goes into the bin. `with …`: it goes and comes with what it belongs to. `never`: there is no bin for it. */
  bin: "itself" | "with collection" | "with resource" | "with team" | "never";
  /** What a copy of a collection has of it. */
  duplicate: "copied" | "left" | "not of a collection";
  /** What becomes of it when two resources are made one. */
  merge: "moves over" | "better fields" | "stays" | "not of a resource";
  /** What becomes of it when its person deletes their account; what belongs to a team stays with the team. */
  account: "goes" | "what is private goes" | "stays with the team" | "not of a person";
  /** Whether the archive of a team takes it along. `derived`: it is made again. `secret`: it opens doors. */
  archive: "taken along" | "derived" | "secret" | "of the moment";
};

const team = { account: "stays with the team", archive: "taken along" } as const;
const own = { account: "goes", archive: "taken along" } as const;
const noCollection = { duplicate: "not of a collection" } as const;
const noResource = { merge: "not of a resource" } as const;
const apart = { ...noCollection, ...noResource } as const;
const plain = { undo: null, bin: "never", ...apart } as const;
const derived = { account: "not of a person", archive: "derived" } as const;
const moment = { account: "goes", archive: "of the moment" } as const;

/**
 * Every table there is. Whoever builds the archive, the deletion of an account or anything else that reaches over all
 * of them reads it here; a table that is not listed fails a test.
 */
export const TIES: Record<string, Ties> = {
  collection: { undo: "collection", bin: "itself", duplicate: "copied", ...noResource, ...team },
  section: { undo: "section", bin: "itself", duplicate: "copied", ...noResource, ...team },
  placement: { undo: "placement", bin: "itself", duplicate: "copied", merge: "moves over", ...team },
  collection_tag: {
    undo: "collectionTag",
    bin: "with collection",
    duplicate: "copied",
    ...noResource,
    ...team,
  },
  share_link: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...team },
  short_code: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...team },
  edition: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...team },
  edition_file: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...team },
  newsletter_draft: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...team },
  newsletter_issue: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...team },
  // Readers have no account; who leaves is gone.
  newsletter_reader: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...team },
  newsletter_delivery: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...team },
  view_setting: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...own },
  // Whoever was let in was let into this one.
  guest: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...own },
  last_visit: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...moment },
  presence: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...moment },

  resource: { undo: "resource", bin: "itself", ...noCollection, merge: "better fields", ...team },
  resource_text: { undo: "copiedText", bin: "with resource", ...noCollection, merge: "moves over", ...team },
  resource_file: { undo: null, bin: "with resource", ...noCollection, merge: "stays", ...team },
  picture_candidate: { undo: null, bin: "with resource", ...noCollection, merge: "stays", ...team },
  resource_proposal: { undo: null, bin: "with resource", ...noCollection, merge: "stays", ...team },
  text_picture: { undo: null, bin: "with resource", ...noCollection, merge: "stays", ...team },
  text_version: { undo: null, bin: "with resource", ...noCollection, merge: "stays", ...team },
  mark: {
    undo: ["mark", "ownMark"],
    bin: "itself",
    ...noCollection,
    merge: "moves over",
    account: "what is private goes",
    archive: "taken along",
  },
  // Talk is of the people and the place it was said in: a copy of a collection has none of it.
  comment: { undo: "comment", bin: "itself", duplicate: "left", merge: "stays", ...team },
  // Who was meant was meant there.
  notice: {
    ...{ undo: null, bin: "with collection", duplicate: "left", ...noResource },
    ...{ account: "goes", archive: "of the moment" },
  },
  notice_wish: { ...plain, account: "goes", archive: "of the moment" },
  learner_group: { undo: "group", bin: "itself", ...apart, ...team },
  learner: { undo: "learner", bin: "itself", ...apart, ...team },
  // A copy of a collection is given to nobody.
  handout: { undo: "handout", bin: "itself", duplicate: "left", ...noResource, ...team },
  // What strangers suggested was for this collection, and what opens it is its own.
  suggestion_page: {
    undo: null,
    bin: "with collection",
    duplicate: "left",
    ...noResource,
    account: "stays with the team",
    archive: "secret",
  },
  blocked_team: { ...plain, ...team, archive: "of the moment" },
  thanks: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...team },
  suggestion: { undo: "suggestion", bin: "itself", duplicate: "left", merge: "stays", ...team },
  outcome: { undo: "outcome", bin: "itself", ...apart, ...team },
  // A copy of a course serves what the course serves.
  serves: { undo: "serves", bin: "with collection", duplicate: "copied", ...noResource, ...team },
  criteria: { undo: "criteria", bin: "itself", ...apart, ...team },
  // What it asked never changes: judgements were given to these words.
  criteria_version: { ...plain, ...team },
  round: { undo: "round", bin: "itself", ...apart, ...team },
  search_record: { undo: "searchRecord", bin: "itself", ...apart, ...team },
  // What is said in a round is said of the thing that is in it.
  round_share: { ...plain, merge: "stays", ...team },
  appraisal: { undo: "appraisal", bin: "itself", ...noCollection, merge: "moves over", ...team },
  agreed: { undo: "agreed", bin: "itself", ...noCollection, merge: "stays", ...team },
  wish: { undo: "wish", bin: "itself", ...noCollection, merge: "stays", ...team },
  sheet: { ...plain, ...team },
  sheet_item: { ...plain, ...team },
  sheet_find: { ...plain, bin: "itself", ...team },
  resource_tag: { undo: "resourceTag", bin: "with resource", ...noCollection, merge: "moves over", ...team },
  tray_entry: { undo: "trayEntry", bin: "with resource", ...noCollection, merge: "moves over", ...own },
  rule_hit: { undo: null, bin: "with resource", ...noCollection, merge: "stays", ...team },
  duplicate_apart: { undo: null, bin: "with resource", ...noCollection, merge: "stays", ...team },
  // What became of an address is found out again.
  link_watch: { undo: null, bin: "with resource", ...noCollection, merge: "stays", ...derived },
  near_text: { undo: null, bin: "with resource", ...noCollection, merge: "stays", ...derived },

  tag: { undo: "tag", bin: "never", ...apart, ...team },
  // It is taken off a list, and stays for what is marked with it.
  meaning: { ...plain, ...team },
  rule: { undo: null, bin: "itself", ...apart, ...team },
  // It is taken off a list, and stays for what is set in it.
  citation_style: { ...plain, ...team },
  document_template: { ...plain, ...team },
  saved_search: { ...plain, ...own },
  follow: { ...plain, ...own },
  // Of a person, and of no team.
  person_page: { ...plain, ...moment },
  // What stands elsewhere, read again for whoever follows it.
  // The installation, not a team.
  steward: { ...plain, account: "goes", archive: "secret" },
  report: {
    ...plain,
    bin: "with collection",
    duplicate: "left",
    account: "not of a person",
    archive: "of the moment",
  },
  steward_deed: { ...plain, account: "not of a person", archive: "of the moment" },
  installation: { ...plain, account: "not of a person", archive: "of the moment" },
  feed: { ...plain, ...derived },
  feed_entry: { ...plain, ...derived },
  import: { ...plain, ...team },
  import_part: { ...plain, ...team },
  event: { ...plain, ...team },
  // Signing in is of no team, and goes.
  log_entry: { ...plain, account: "what is private goes", archive: "of the moment" },
  snapshot: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...team },
  reading_comfort: { ...plain, account: "goes", archive: "of the moment" },
  reading_place: {
    undo: null,
    bin: "with resource",
    ...noCollection,
    merge: "stays",
    account: "goes",
    archive: "of the moment",
  },
  history_entry: { ...plain, account: "goes", archive: "of the moment" },
  file_blob: { ...plain, account: "not of a person", archive: "taken along" },

  mail_address: { ...plain, account: "goes", archive: "secret" },
  mail_sender: { ...plain, ...own },
  mail_message: { ...plain, ...own },

  team: { ...plain, ...team },
  membership: { ...plain, ...own },
  invitation: { ...plain, account: "stays with the team", archive: "secret" },
  person: { ...plain, ...own },
  session: { ...plain, account: "goes", archive: "secret" },
  account: { ...plain, account: "goes", archive: "secret" },
  verification: { ...plain, account: "goes", archive: "secret" },
  access_token: { ...plain, account: "goes", archive: "secret" },
  pairing: { ...plain, account: "goes", archive: "secret" },
  rate_limit: { ...plain, ...moment },
  limit_use: { ...plain, ...moment },

  credit: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...team },
  listing: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...derived },
  listed_address: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...derived },
  listed_tag: { undo: null, bin: "with collection", duplicate: "left", ...noResource, ...derived },
  term_block: { ...plain, ...derived },
  term_posting: { ...plain, ...derived },
  term_stat: { ...plain, ...derived },
  term_list: { ...plain, ...derived },
  own_term: { ...plain, ...derived },
  reindex_queue: { ...plain, ...derived },
  facet_count: { ...plain, ...derived },
  cached_count: { ...plain, ...derived },
  archive_import: { ...plain, account: "goes", archive: "of the moment" },
  // Made again in a moment; it is gone after a day.
  ordered_file: { ...plain, account: "goes", archive: "of the moment" },
  job: { ...plain, account: "stays with the team", archive: "of the moment" },
  worker: { ...plain, account: "not of a person", archive: "of the moment" },
};
