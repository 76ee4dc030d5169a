import type { MySqlColumn, MySqlTable } from "drizzle-orm/mysql-core";
import {
  agreed,
  appraisal,
  citationStyle,
  collection,
  comment,
  collectionTag,
  documentTemplate,
  duplicateApart,
  credit,
  criteria,
  criteriaVersion,
  edition,
  follow,
  editionFile,
  event,
  mark,
  meaning,
  newsletterDraft,
  newsletterIssue,
  outcome,
  placement,
  resource,
  resourceFile,
  resourceTag,
  resourceText,
  round,
  roundShare,
  rule,
  ruleHit,
  savedSearch,
  searchRecord,
  wish,
  section,
  serves,
  shareLink,
  shortCode,
  snapshot,
  tag,
  textPicture,
  textVersion,
  trayEntry,
  viewSetting,
} from "../schema";

/** What the rows of a table belong to, and so how those of a team are found. */
type Home = "team" | "collection" | "resource" | "edition";

/** A table as an archive has it. */
export type Archived = {
  name: string;
  table: MySqlTable;
  /** What it is found by: its own id, or that of what it belongs to. */
  by: { own: MySqlColumn } | { parent: MySqlColumn; of: string };
  /** Where its own id is looked for. */
  home: { column: MySqlColumn; of: Home } | null;
  /** Fields that hold the id of a row of another table, or of its own; what they hold must be in the archive. */
  refs: Readonly<Record<string, string>>;
  /** Fields that hold a person. */
  people: readonly string[];
  /** Only rows of who takes the archive go along: they are nobody else's business. */
  personal?: MySqlColumn;
  /** Fields that hold the hash of a stored file. */
  hashes?: readonly string[];
  /** Fields that may hold the id of something that is gone: then they hold none. */
  loose?: readonly string[];
  /**
   * Almost everything it belongs to has some, and no row names one of them: they are looked for by all of that, and have a new
   * id of their own when they come back.
   */
  dense?: true;
};

const own = (
  name: string,
  table: MySqlTable & { id: MySqlColumn },
  home: Archived["home"],
  refs: Archived["refs"],
  people: readonly string[] = [],
  more: Pick<Archived, "personal" | "hashes" | "loose"> = {},
): Archived => ({ name, table, by: { own: table.id }, home, refs, people, ...more });

const part = (
  name: string,
  table: MySqlTable,
  parent: MySqlColumn,
  of: string,
  refs: Archived["refs"],
  people: readonly string[] = [],
  more: Pick<Archived, "personal" | "hashes"> = {},
): Archived => ({ name, table, by: { parent, of }, home: null, refs, people, ...more });

const ofTeam = (column: MySqlColumn) => ({ column, of: "team" as const });
const ofCollection = (column: MySqlColumn) => ({ column, of: "collection" as const });

/**
 * What an archive of a team holds, in the order in which it comes back: what is referred to before what refers to it. People
 * and the team itself stand in files of their own.
 */
export const ARCHIVED: readonly Archived[] = [
  own("tag", tag, ofTeam(tag.team), {}),
  own("citation_style", citationStyle, ofTeam(citationStyle.team), {}, ["addedBy"]),
  own("document_template", documentTemplate, ofTeam(documentTemplate.team), {}, ["addedBy"], {
    hashes: ["hash"],
  }),
  own("resource", resource, ofTeam(resource.team), { duplicateOf: "resource" }, ["addedBy"], {
    hashes: ["pictureHash", "captionsHash", "seenHash"],
  }),
  part("resource_text", resourceText, resourceText.resource, "resource", { resource: "resource" }),
  part("resource_file", resourceFile, resourceFile.resource, "resource", { resource: "resource" }, [], {
    hashes: ["hash"],
  }),
  part("text_picture", textPicture, textPicture.resource, "resource", { resource: "resource" }, [], {
    hashes: ["hash"],
  }),
  part("text_version", textVersion, textVersion.resource, "resource", { resource: "resource" }, [], {
    hashes: ["digest"],
  }),
  own("meaning", meaning, ofTeam(meaning.team), {}),
  own("mark", mark, ofTeam(mark.team), { resource: "resource", meaning: "meaning" }, ["person"], {
    loose: ["meaning"],
  }),
  {
    ...part("resource_tag", resourceTag, resourceTag.resource, "resource", {
      resource: "resource",
      tag: "tag",
    }),
    ...{ home: ofTeam(resourceTag.team), dense: true },
  },
  part("duplicate_apart", duplicateApart, duplicateApart.a, "resource", { a: "resource", b: "resource" }),
  own("credit", credit, ofTeam(credit.team), {}, [], { hashes: ["digest"] }),
  own("collection", collection, ofTeam(collection.team), { parent: "collection", credit: "credit" }, [], {
    hashes: ["coverHash"],
    loose: ["credit"],
  }),
  own("section", section, ofCollection(section.collection), { collection: "collection" }),
  own(
    "placement",
    placement,
    ofTeam(placement.team),
    { collection: "collection", section: "section", resource: "resource", credit: "credit" },
    ["addedBy", "askedOf", "askedBy"],
    { loose: ["credit"] },
  ),
  own(
    "comment",
    comment,
    ofTeam(comment.team),
    { collection: "collection", section: "section", placement: "placement", mark: "mark", thread: "comment" },
    ["person", "settledBy"],
    { loose: ["thread", "mark"] },
  ),
  part("collection_tag", collectionTag, collectionTag.collection, "collection", {
    collection: "collection",
    tag: "tag",
  }),
  part("share_link", shareLink, shareLink.collection, "collection", { collection: "collection" }),
  part("short_code", shortCode, shortCode.collection, "collection", { collection: "collection" }),
  part("newsletter_draft", newsletterDraft, newsletterDraft.collection, "collection", {
    collection: "collection",
  }),
  own("edition", edition, ofCollection(edition.collection), { collection: "collection" }, ["person"]),
  part("edition_file", editionFile, editionFile.edition, "edition", { edition: "edition" }, [], {
    hashes: ["hash"],
  }),
  own("newsletter_issue", newsletterIssue, ofCollection(newsletterIssue.collection), {
    collection: "collection",
    edition: "edition",
  }),
  own("rule", rule, ofTeam(rule.team), { collection: "collection", section: "section" }, ["createdBy"], {
    loose: ["collection", "section"],
  }),
  own(
    "rule_hit",
    ruleHit,
    ofTeam(ruleHit.team),
    { rule: "rule", resource: "resource", placedIn: "collection" },
    [],
    {
      loose: ["placedIn"],
    },
  ),
  own("outcome", outcome, ofTeam(outcome.team), { parent: "outcome" }, ["createdBy"], { loose: ["parent"] }),
  part("serves", serves, serves.outcome, "outcome", { outcome: "outcome", placement: "placement" }),
  own("criteria", criteria, ofTeam(criteria.team), {}, ["createdBy"]),
  part("criteria_version", criteriaVersion, criteriaVersion.criteria, "criteria", { criteria: "criteria" }),
  own("round", round, ofTeam(round.team), { criteria: "criteria", after: "round" }, ["createdBy"], {
    loose: ["after"],
  }),
  part("round_share", roundShare, roundShare.round, "round", { round: "round", resource: "resource" }, [
    "person",
  ]),
  own("search_record", searchRecord, ofTeam(searchRecord.team), { round: "round" }, ["createdBy"]),
  own(
    "appraisal",
    appraisal,
    ofTeam(appraisal.team),
    { resource: "resource", criteria: "criteria", round: "round" },
    ["person"],
  ),
  own("agreed", agreed, ofTeam(agreed.team), { resource: "resource", criteria: "criteria", round: "round" }, [
    "person",
  ]),
  own("wish", wish, ofTeam(wish.team), { resource: "resource", round: "round" }, []),
  own("snapshot", snapshot, ofTeam(snapshot.team), { collection: "collection" }),
  own("event", event, ofTeam(event.team), {}, ["actor"]),
  part(
    "view_setting",
    viewSetting,
    viewSetting.collection,
    "collection",
    { collection: "collection" },
    ["person"],
    {
      personal: viewSetting.person,
    },
  ),
  own(
    "tray_entry",
    trayEntry,
    ofTeam(trayEntry.team),
    { resource: "resource", forCollection: "collection", forSection: "section" },
    ["person"],
    { personal: trayEntry.person, loose: ["forCollection", "forSection"] },
  ),
  own("follow", follow, ofTeam(follow.team), {}, ["person"], { personal: follow.person }),
  own("saved_search", savedSearch, ofTeam(savedSearch.team), {}, ["person"], {
    personal: savedSearch.person,
  }),
];

/** What `ties.ts` says is taken along and an archive has not yet, and why. */
export const NOT_ARCHIVED: Readonly<Record<string, string>> = {
  team: "stands in a file of its own",
  person: "stands in a file of its own: names, and nothing else",
  guest: "nobody becomes a guest but by invitation",
  membership: "nobody becomes a member but by invitation",
  file_blob: "is noted again for each file that comes back",
  picture_candidate: "is found again when the page is looked at",
  resource_proposal: "is found again when the page is looked at",
  import: "what it brought in is taken along; going back is not",
  import_part: "what it brought in is taken along; going back is not",
  newsletter_reader:
    "they asked to hear from this installation, and from no other; addresses of strangers go nowhere",
  newsletter_delivery: "whom an issue went to is known where it was sent from",
  learner_group:
    "what learners are called and what they wrote goes nowhere by an archive, which goes anywhere",
  learner: "what learners are called and what they wrote goes nowhere by an archive, which goes anywhere",
  handout: "what learners are called and what they wrote goes nowhere by an archive, which goes anywhere",
  sheet: "what learners are called and what they wrote goes nowhere by an archive, which goes anywhere",
  sheet_item: "what learners are called and what they wrote goes nowhere by an archive, which goes anywhere",
  sheet_find: "what learners are called and what they wrote goes nowhere by an archive, which goes anywhere",
  thanks: "what readers said of it, and what they call themselves, goes nowhere by an archive",
  suggestion: "what strangers suggested, and what they call themselves, goes nowhere by an archive",
  mail_sender: "whom one lets in holds for the mail addresses of this installation, which stay here",
  mail_message: "what came of a message is a resource, and goes along; one that waits waits here",
};
