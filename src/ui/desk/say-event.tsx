import type { Verb } from "@/core/history/verbs";
import type { Answer } from "@/services/registry";
import { Link } from "../parts/link";

type EventRow = Answer<"events.recent">["events"][number];

/** Nobody is told that somebody looked; everything else has its words. */
const SAID: Record<Exclude<Verb, "presence" | "late">, (n: number) => string> = {
  "bin.restore-collection": () => "put back",
  "bin.restore-placement": (n) => `put back ${items(n)} in`,
  "bin.restore-resource": () => "put something back in the catalogue",
  "bin.restore-section": () => "put back a section in",
  "collections.edit": () => "renamed or described",
  "collections.make": () => "made",
  "collections.move": () => "moved in the tree",
  "collections.put-away": () => "put away or took out",
  "collections.remove": () => "deleted",
  "editions.keep": () => "kept an edition of",
  "editions.withdraw": () => "changed which editions readers get of",
  "imports.changed": () => "changed an import",
  "imports.done": () => "brought in a list",
  "imports.progress": () => "is bringing in a list",
  "imports.undone": () => "took an import back",
  "messages.held": () => "held a letter for a look",
  "messages.taken": () => "took a letter in",
  "newsletters.send": () => "sent an issue of",
  "newsletters.write": () => "wrote on the next issue of",
  "resources.apart": () => "kept two things apart",
  "resources.merged": () => "made one of two",
  "resources.proposed": () => "read a page again",
  "rules.correct": () => "found a rule to be wrong",
  "rules.except": () => "left something out of a rule",
  "rules.decide": () => "decided on a suggestion",
  "rules.done": () => "did what a rule says",
  "rules.remove": () => "took a rule away",
  "rules.run": () => "ran a rule",
  "rules.save": () => "wrote a rule",
  "rules.suggested": () => "found a rule that fits",
  "guests.joined": () => "came as a guest into",
  "guests.remove": () => "took a guest out of",
  "guests.set-role": () => "changed what a guest may do in",
  "members.joined": () => "joined the team",
  "members.remove": () => "took somebody out of the team",
  "members.set-role": () => "changed a role",
  "placements.ask": (n) => (n === 1 ? "said who sees to" : `said who sees to ${n} things in`),
  "notices.came": () => "meant you in",
  "placements.add": (n) => `placed ${items(n)} in`,
  "placements.edit": (n) => (n === 1 ? "wrote on an item in" : `wrote on ${n} items in`),
  "placements.move": () => "changed the order of",
  "placements.remove": (n) => `took ${items(n)} out of`,
  "resources.captured": (n) => (n === 1 ? "brought in" : `brought in ${n} things`),
  "resources.edit": (n) => (n === 1 ? "mended" : `mended ${n} things`),
  "resources.fetch-again": () => "had a page read again",
  "resources.filled": (n) => (n === 1 ? "read" : `read ${n} pages`),
  "resources.remove": () => "deleted from the catalogue",
  "sections.make": () => "made a section in",
  "sections.move": () => "moved a section in",
  "sections.remove": () => "deleted a section in",
  "sections.edit": () => "wrote on a section in",
  "share.renew": () => "gave a new link to",
  "texts.pictured": () => "kept the pictures of a text",
  "stewards.hide": () => "hid, by its stewards, from readers",
  "stewards.show": () => "showed again to its readers",
  "share.set": () => "changed who can see",
  "tags.add": (n) => (n === 1 ? "tagged something" : `tagged ${n} things`),
  "tags.change": (n) => (n === 1 ? "changed the tags of something" : `changed the tags of ${n} things`),
  "tags.edit": () => "tidied the tags",
  "tags.remove": () => "took off a tag",
  "teams.rename": () => "renamed the team",
  "archives.brought-back": () => "The archive of the team is back",
  "teams.set-page": () => "changed what the team’s public page says",
  "teams.keep": () => "changed how long things are kept",
  "teams.set-style": () => "chose how works are cited",
  "teams.set-template": () => "changed the template of documents",
  "references.add-style": () => "added a citation style",
  "references.offer-style": () => "changed the list of citation styles",
  "tray.set": () => "tidied the Tray",
  "marks.add": (n) => (n === 1 ? "marked something" : `marked ${n} passages`),
  "marks.edit": () => "wrote in the margin",
  "marks.remove": () => "took a mark away",
  "marks.placed": () => "looked for marks in another text",
  "outcomes.add": (n) => (n === 1 ? "wrote an outcome" : `wrote ${n} outcomes`),
  "outcomes.edit": () => "changed an outcome",
  "outcomes.remove": (n) => (n === 1 ? "took an outcome away" : `took ${n} outcomes away`),
  "outcomes.serve": () => "said which outcome something serves",
  "search-records.save": () => "wrote down a search",
  "search-records.remove": () => "took a search off a review",
  "criteria.make": () => "wrote criteria",
  "criteria.edit": () => "changed criteria",
  "criteria.remove": () => "took criteria away",
  "rounds.start": () => "started a round",
  "rounds.ask-third": () => "asked for another opinion",
  "rounds.edit": () => "took a round on",
  "links.look": () => "had an address asked again",
  "links.seek": () => "had it looked where a page stands now",
  "links.inside": () => "had the links in a page asked",
  "links.sought": () => "looked where a page stands now",
  "links.found": () => "found that an address is otherwise",
  "links.settle": () => "said that an address is alright",
  "rounds.wish": () => "changed a shortlist",
  "rounds.remove": () => "took a round away",
  "appraisals.own": () => "judged something",
  "appraisals.give": (n) => (n === 1 ? "judged something" : `judged ${n} things`),
  "appraisals.agree": (n) => (n === 1 ? "settled on something" : `settled on ${n} things`),
  "groups.make": () => "made a group",
  "groups.edit": () => "renamed a group",
  "groups.erase": () => "erased a group for good",
  "groups.remove": () => "took a group away",
  "learners.add": (n) => (n === 1 ? "wrote a name into a group" : `wrote ${n} names into a group`),
  "learners.edit": () => "corrected a name, or renewed a card",
  "learners.remove": () => "took a name out of a group",
  "handouts.make": () => "handed something out",
  "handouts.edit": () => "set when a handout ends",
  "handouts.correct": () => "corrected what was handed out",
  "handouts.remove": () => "took a handout away",
  "sheets.written": () => "wrote on a handout",
  "suggestions.offer": (n) => (n === 1 ? "suggested something for" : `suggested ${n} things for`),
  "suggestions.decide": (n) => (n === 1 ? "decided on a suggestion for" : `decided on ${n} suggestions for`),
  "suggestions.remove": (n) => (n === 1 ? "deleted a suggestion for" : `deleted ${n} suggestions for`),
  "suggestions.set-page": () => "set who can suggest things for",
  "comments.add": (n) => (n === 1 ? "said something in" : `said ${n} things in`),
  "comments.edit": () => "said something in other words in",
  "comments.remove": () => "took back what was said in",
  "comments.settle": () => "settled, or opened again, what was said in",
  "meanings.change": () => "said what our marks mean",
};

/**
 * What was done, to stand behind who did it; empty for what is no deed of anybody.
 * @param verb of an event
 * @param self whether it was done to oneself
 */
export const sayDeed = (verb: string, self = false): string =>
  (self && LEFT[verb]) || (SAID[verb as keyof typeof SAID]?.(1) ?? "");

/** What somebody did who took out themselves. */
const LEFT: Readonly<Record<string, string>> = {
  "members.remove": "left the team",
  "guests.remove": "left, as a guest,",
};

/** Of these the words go on with a place. */
const OF_A_PLACE =
  /^(bin|collections|comments|editions|guests|newsletters|placements|sections|share|stewards|suggestions)\./;

const items = (n: number) => (n === 1 ? "an item" : `${n} items`);

/**
 * One thing that happened, as a sentence.
 * @param times how often it was done one after the other
 * @param here whether it is read where the collection it happened in stands above
 */
export function sayEvent(event: EventRow, me: string, times: number, here = false): React.ReactNode {
  const who = event.actor === null ? "Hobbin" : event.actor === me ? "You" : (event.actorName ?? "Somebody");
  const self = event.actor !== null && event.actor === event.subject;
  const said =
    (self && LEFT[event.verb]) || (SAID[event.verb as keyof typeof SAID]?.(times) ?? "did something");
  const title = typeof event.data.title === "string" && times === 1 ? event.data.title : null;
  return (
    <>
      {who} {said}{" "}
      {event.collection && here && OF_A_PLACE.test(event.verb) ? (
        "this collection"
      ) : !here && event.collection && event.collectionTitle && !event.verb.startsWith("resources.") ? (
        <Link href={`/bench/${event.collection}`} className="font-semibold hover:underline">
          {event.collectionTitle}
        </Link>
      ) : (
        title && <b className="font-semibold">{title}</b>
      )}
    </>
  );
}
