/** The parts of what somebody has open that may have to be read again. */
export type Part =
  /** The one item the event is about, in the collection it names. */
  | "item"
  /** The resource the event is about, wherever it stands. */
  | "resource"
  /** All items of the collection the event names. */
  | "items"
  /** All items of whatever is open: it touches many, in many places. */
  | "list"
  /** What a collection says of itself as a whole, in the collection the event names. */
  | "head"
  /** Which collections there are, and how they stand in one another. */
  | "tree"
  /** How much stands where. */
  | "counts"
  | "tags"
  | "tray"
  /** The marks of the resource the event is about. */
  | "marks"
  /** What is said in the collection the event names. */
  | "comments"
  /** Groups, who is in them, and what they were given. */
  | "groups"
  | "suggestions"
  /** Criteria, rounds, and what people think of things. */
  | "weighing"
  /** Outcomes, and what serves them. */
  | "outcomes"
  /** What has become of addresses. */
  | "links"
  /** What is addressed to oneself. */
  | "notices"
  | "catalogue"
  | "presence"
  | "imports";

/** Which resources have other words afterwards, for the index, or count as something else. */
type Words =
  | "none"
  /** The subject is the resource; what was merged into it, too. */
  | "resource"
  /** The subject is an item: its heading and its context line are among the words of its resource. */
  | "item"
  /** Everything that stands in the collection. */
  | "inside";

type Meaning = { words: Words; reload: readonly Part[] };

const OF_COLLECTION = ["head", "tree", "catalogue"] as const;
const OF_RESOURCE = ["resource", "head", "counts", "tags", "tray", "catalogue"] as const;
const OF_ITEM = ["item", "head", "counts", "tray"] as const;
const OF_SECTION = ["head"] as const;
const NOTHING = { words: "none", reload: [] } as const;

/**
 * Every verb an event can have, and what it means for whoever hears it: the feeder of the index, the open screens, the
 * count of what waits. An event with another verb does not compile, and neither does a place that says nothing of one.
 * Which collections' versions a change counts is `seenIn` of its entity, because it goes by the thing and not the verb.
 */
export const VERBS = {
  "collections.make": { words: "inside", reload: OF_COLLECTION },
  "collections.edit": { words: "none", reload: OF_COLLECTION },
  "collections.move": { words: "none", reload: OF_COLLECTION },
  "collections.put-away": { words: "none", reload: OF_COLLECTION },
  "collections.remove": { words: "inside", reload: OF_COLLECTION },
  "bin.restore-collection": { words: "inside", reload: OF_COLLECTION },

  "sections.make": { words: "none", reload: OF_SECTION },
  "sections.edit": { words: "none", reload: OF_SECTION },
  "sections.move": { words: "none", reload: OF_SECTION },
  "sections.remove": { words: "inside", reload: ["items", "head", "counts"] },
  "bin.restore-section": { words: "inside", reload: ["items", "head", "counts"] },

  "placements.add": { words: "item", reload: OF_ITEM },
  "placements.edit": { words: "item", reload: OF_ITEM },
  "placements.ask": { words: "none", reload: [...OF_ITEM, "notices"] },
  "placements.move": { words: "none", reload: OF_ITEM },
  "placements.remove": { words: "item", reload: OF_ITEM },
  "bin.restore-placement": { words: "item", reload: OF_ITEM },

  "resources.captured": { words: "resource", reload: OF_RESOURCE },
  "resources.edit": { words: "resource", reload: OF_RESOURCE },
  "resources.filled": { words: "resource", reload: OF_RESOURCE },
  "texts.pictured": { words: "none", reload: ["resource"] },
  "resources.fetch-again": { words: "resource", reload: OF_RESOURCE },
  "resources.proposed": { words: "none", reload: OF_RESOURCE },
  "resources.merged": { words: "resource", reload: OF_RESOURCE },
  "resources.apart": { words: "resource", reload: OF_RESOURCE },
  "resources.remove": { words: "resource", reload: ["list", ...OF_RESOURCE] },
  "bin.restore-resource": { words: "resource", reload: ["list", ...OF_RESOURCE] },

  "tags.add": { words: "resource", reload: OF_RESOURCE },
  "tags.change": { words: "resource", reload: OF_RESOURCE },
  "tags.remove": { words: "resource", reload: OF_RESOURCE },
  // The subject is the tag; what carries it is noted with the row.
  "tags.edit": { words: "none", reload: ["list", "head", "tags", "catalogue"] },

  // The subject is the resource.
  "marks.add": { words: "resource", reload: ["marks"] },
  "marks.edit": { words: "resource", reload: ["marks"] },
  "marks.remove": { words: "resource", reload: ["marks"] },
  "marks.placed": { words: "none", reload: ["marks"] },
  "meanings.change": { words: "none", reload: ["marks"] },

  // The subject is the comment, and the collection is where it is heard.
  "comments.add": { words: "none", reload: ["comments"] },
  "comments.edit": { words: "none", reload: ["comments"] },
  "comments.remove": { words: "none", reload: ["comments"] },
  "comments.settle": { words: "none", reload: ["comments"] },

  // The subject is the group, somebody in it, or a handout.
  "groups.make": { words: "none", reload: ["groups"] },
  "groups.edit": { words: "none", reload: ["groups"] },
  "groups.remove": { words: "none", reload: ["groups"] },
  "learners.add": { words: "none", reload: ["groups"] },
  "learners.edit": { words: "none", reload: ["groups"] },
  "learners.remove": { words: "none", reload: ["groups"] },
  "handouts.make": { words: "none", reload: ["groups"] },
  "handouts.edit": { words: "none", reload: ["groups"] },
  "handouts.correct": { words: "none", reload: ["groups"] },
  "handouts.remove": { words: "none", reload: ["groups"] },
  "sheets.written": { words: "none", reload: ["groups"] },

  // The subject is the suggestion, or the collection things are suggested for.
  "suggestions.offer": { words: "none", reload: ["suggestions"] },
  "suggestions.decide": { words: "none", reload: ["suggestions"] },
  "suggestions.remove": { words: "none", reload: ["suggestions"] },
  "suggestions.set-page": { words: "none", reload: ["suggestions"] },

  // The subject is the set of criteria, the round, or the resource that was judged.
  "criteria.make": { words: "none", reload: ["weighing"] },
  "criteria.edit": { words: "none", reload: ["weighing"] },
  "criteria.remove": { words: "none", reload: ["weighing"] },
  "rounds.start": { words: "none", reload: ["weighing"] },
  "rounds.ask-third": { words: "none", reload: ["weighing"] },
  "rounds.edit": { words: "none", reload: ["weighing"] },
  "rounds.wish": { words: "none", reload: ["weighing"] },
  "rounds.remove": { words: "none", reload: ["weighing"] },
  "search-records.save": { words: "none", reload: ["weighing"] },
  "search-records.remove": { words: "none", reload: ["weighing"] },
  // What somebody thinks is told to them alone; that they have judged, to everybody.
  "appraisals.own": { words: "none", reload: ["weighing"] },
  "appraisals.give": { words: "none", reload: ["weighing"] },
  "appraisals.agree": { words: "none", reload: ["weighing"] },

  // The subject is the outcome; of what serves one, the item.
  "outcomes.add": { words: "none", reload: ["outcomes"] },
  "outcomes.edit": { words: "none", reload: ["outcomes"] },
  "outcomes.remove": { words: "none", reload: ["outcomes"] },
  "outcomes.serve": { words: "none", reload: ["outcomes"] },

  // The subject is the resource whose address was found to be otherwise.
  "links.settle": { words: "none", reload: ["links"] },
  "links.look": { words: "none", reload: ["links"] },
  "links.seek": { words: "none", reload: [] },
  "links.inside": { words: "none", reload: [] },
  "links.sought": { words: "none", reload: ["links"] },
  "links.found": { words: "none", reload: ["links"] },

  "notices.came": { words: "none", reload: ["notices"] },

  "tray.set": { words: "none", reload: ["tray"] },
  "share.set": { words: "none", reload: ["head", "tree"] },
  "stewards.hide": { words: "none", reload: ["head", "tree", "notices"] },
  "stewards.show": { words: "none", reload: ["head", "tree", "notices"] },
  "share.renew": { words: "none", reload: ["head"] },
  "editions.keep": { words: "none", reload: ["head"] },
  "editions.withdraw": { words: "none", reload: ["head"] },
  "newsletters.send": { words: "none", reload: ["head"] },
  "newsletters.write": { words: "none", reload: [] },
  // It is not known whether everybody has heard of everything.
  late: NOTHING,
  presence: { words: "none", reload: ["presence"] },

  "imports.changed": { words: "none", reload: ["imports"] },
  "imports.progress": { words: "none", reload: ["imports", "items", "head", "tree", "catalogue"] },
  "imports.done": { words: "none", reload: ["imports", "list", "head", "tree", "catalogue"] },
  "imports.undone": { words: "none", reload: ["imports", "list", "head", "tree", "catalogue"] },

  "messages.held": NOTHING,
  "messages.taken": NOTHING,
  "rules.save": NOTHING,
  "rules.remove": NOTHING,
  "rules.run": NOTHING,
  "rules.decide": NOTHING,
  "rules.correct": NOTHING,
  "rules.except": NOTHING,
  "rules.done": NOTHING,
  "rules.suggested": NOTHING,
  // Who sees it stands in the head.
  "groups.erase": { words: "none", reload: ["groups"] },
  "guests.joined": { words: "none", reload: ["head"] },
  "guests.remove": { words: "none", reload: ["head"] },
  // What one may do there is said with it.
  "guests.set-role": { words: "none", reload: ["head"] },
  "members.joined": NOTHING,
  "members.remove": NOTHING,
  "members.set-role": NOTHING,
  "teams.rename": NOTHING,
  // Everything of the team is there.
  "archives.brought-back": {
    words: "none",
    reload: ["list", "head", "items", "tree", "tags", "catalogue", "tray"],
  },
  "teams.keep": NOTHING,
  "teams.set-page": NOTHING,
  "teams.set-style": NOTHING,
  "teams.set-template": NOTHING,
  "references.add-style": NOTHING,
  "references.offer-style": NOTHING,
} as const satisfies Record<string, Meaning>;

/** What can be told to have happened. */
export type Verb = keyof typeof VERBS;

/**
 * What a verb means; nothing, for one that is no longer told but stands in old events.
 * @param verb as it stands in an event
 */
export const meaningOf = (verb: string): Meaning =>
  Object.hasOwn(VERBS, verb) ? VERBS[verb as Verb] : NOTHING;

/** Whether one of these parts of what is open may have to be read again after an event. */
export const reloads = ({ verb }: { verb: string }, ...parts: Part[]): boolean =>
  parts.some((part) => meaningOf(verb).reload.includes(part));
