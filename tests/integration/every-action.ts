import { eq } from "drizzle-orm";
import { addJobs } from "@/data/queries/jobs";
import { mailMessage, resource, ruleHit } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { type Actor, STRANGER } from "@/mechanism/actor";
import { newId } from "@/outside/random";
import type { ActionName } from "@/services/registry";
import { as, guestOf, makeWorld, type World } from "./world";

/** Who may, from the least; everybody after it in the order of roles may too. */
export type From = "viewer" | "contributor" | "editor" | "owner";
export type Full = World & {
  invitation: string;
  guestInvitation: string;
  /** Something that happened in the collection. */
  event: string;
  job: string;
  picture: string;
  import: string;
  rule: string;
  hit: string;
  message: string;
  tag: string;
  otherTag: string;
  /** Another collection at the top, with a section. */
  other: string;
  otherSection: string;
  /** Another resource, in the other collection. */
  twin: string;
  mark: string;
  comment: string;
  meaning: string;
  /** A group with a name in it, its card, and what was handed out to it. */
  group: string;
  learner: string;
  card: string;
  handout: string;
  find: string;
  /** Where things are suggested for the collection, and something that was. */
  page: string;
  suggestion: string;
  giver: string;
  /** Guests of the collection, and an editor of the other one. */
  guests: Record<"viewer" | "contributor" | "editor" | "elsewhere", Actor>;
  /** One of each kind in the bin. */
  binned: { collection: string; section: string; placement: string; resource: string };
};
export type Row = {
  from: From | "signed in" | "reader" | "everybody";
  input: (world: Full) => object;
  /** What somebody else does at the same moment, where it is not the same. */
  beside?: (world: Full) => object;
};

/** The written table: every action has its row, and the walk below compares each with what the policy does. */
export const TABLE: Record<ActionName, Row> = {
  "archives.bring-back": { from: "signed in", input: () => ({ upload: newId() }) },
  "archives.read": { from: "signed in", input: () => ({}) },
  "archives.take": { from: "owner", input: ({ team }) => ({ team }) },
  "bin.read": { from: "editor", input: ({ team }) => ({ team }) },
  "bin.restore-collection": { from: "editor", input: ({ binned }) => ({ collection: binned.collection }) },
  "bin.restore-placement": { from: "editor", input: ({ binned }) => ({ placement: binned.placement }) },
  "bin.restore-resource": { from: "editor", input: ({ binned }) => ({ resource: binned.resource }) },
  "bin.restore-section": { from: "editor", input: ({ binned }) => ({ section: binned.section }) },
  "capture.address": {
    from: "contributor",
    input: ({ team }) => ({ team, address: "https://bog.example/x" }),
  },
  "capture.file": { from: "contributor", input: ({ team }) => ({ team, upload: newId() }) },
  "capture.note": { from: "contributor", input: ({ team }) => ({ team, text: "x" }) },
  "capture.page": { from: "contributor", input: ({ team }) => ({ team, address: "https://bog.example/s" }) },
  "capture.work": { from: "contributor", input: ({ team }) => ({ team, type: "book", title: "x" }) },
  "codes.end": { from: "editor", input: ({ collection }) => ({ collection }) },
  "codes.make": { from: "editor", input: ({ collection }) => ({ collection }) },
  "codes.open": { from: "everybody", input: () => ({ code: "x" }) },
  "collections.be-here": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "collections.duplicate": { from: "editor", input: ({ collection }) => ({ collection, items: true }) },
  "collections.move": {
    from: "editor",
    input: ({ other, collection }) => ({ collection, parent: other }),
    beside: ({ other, collection }) => ({ collection: other, parent: collection }),
  },
  "collections.put-away": { from: "editor", input: ({ collection }) => ({ collection, away: true }) },
  "collections.set-view": {
    from: "viewer",
    input: ({ collection }) => ({ collection, view: "rows", sort: "own", down: false, columns: [] }),
  },
  "collections.cover": {
    from: "editor",
    input: ({ collection }) => ({ collection, picture: "AAAA" }),
  },
  "collections.tag": { from: "editor", input: ({ collection }) => ({ collection, tags: ["x"] }) },
  "search.facets": { from: "viewer", input: ({ team }) => ({ team, query: "x" }) },
  "search.find": { from: "viewer", input: ({ team }) => ({ team, query: "x" }) },
  "saved-searches.forget": { from: "viewer", input: ({ team, resource }) => ({ team, search: resource }) },
  "saved-searches.save": { from: "viewer", input: ({ team }) => ({ team, name: "x", query: "x" }) },
  "saved-searches.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "saved-searches.look": { from: "viewer", input: ({ team, resource }) => ({ team, search: resource }) },
  "tags.delete": { from: "editor", input: ({ team, tag }) => ({ team, tags: [tag] }) },
  "tags.look": { from: "viewer", input: ({ tag }) => ({ tag }) },
  "tags.merge": { from: "editor", input: ({ tag, otherTag }) => ({ tag, others: [otherTag] }) },
  "tags.preview-merge": { from: "viewer", input: ({ tag }) => ({ tag, others: [] }) },
  "tags.rename": { from: "editor", input: ({ tag }) => ({ tag, name: "Other name" }) },
  "tags.suggest": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "tags.tend": { from: "viewer", input: ({ team }) => ({ team }) },
  "resources.history": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "resources.use": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "collections.kinds": { from: "viewer", input: ({ team }) => ({ team }) },
  "collections.covers": { from: "viewer", input: ({ team }) => ({ team }) },
  "collections.edit": { from: "editor", input: ({ collection }) => ({ collection, title: "Other" }) },
  "collections.happened": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "collections.news": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "collections.items": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "collections.make": { from: "editor", input: ({ team }) => ({ team, title: "New" }) },
  "collections.read": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "collections.remove": { from: "editor", input: ({ collection }) => ({ collection }) },
  "collections.sections": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "collections.some-items": {
    from: "viewer",
    input: ({ collection }) => ({ collection, placements: [], resources: [] }),
  },
  "collections.put-back": {
    from: "editor",
    input: ({ collection, event }) => ({ collection, event }),
  },
  "collections.then": { from: "viewer", input: ({ collection, event }) => ({ collection, event }) },
  "collections.use": { from: "editor", input: ({ collection }) => ({ collection, use: "lesson" }) },
  "collections.tree": { from: "viewer", input: ({ team }) => ({ team }) },
  "history.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "history.redo": { from: "viewer", input: ({ team }) => ({ team }) },
  "history.undo": { from: "viewer", input: ({ team }) => ({ team }) },
  "editions.bring-back": { from: "editor", input: ({ collection }) => ({ collection, number: 1 }) },
  "editions.compare": { from: "viewer", input: ({ collection }) => ({ collection, from: 1 }) },
  "editions.keep": { from: "editor", input: ({ collection }) => ({ collection }) },
  "editions.read": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "editions.withdraw": {
    from: "editor",
    input: ({ collection }) => ({ collection, number: 1, withdrawn: true }),
  },
  "guests.end-invitation": {
    from: "editor",
    input: ({ collection, guestInvitation }) => ({ collection, invitation: guestInvitation }),
  },
  "guests.invite": {
    from: "editor",
    input: ({ collection }) => ({ collection, role: "viewer", addresses: ["ada@bog.example"] }),
  },
  "guests.let-into": { from: "signed in", input: () => ({}) },
  "guests.make-link": { from: "editor", input: ({ collection }) => ({ collection, role: "viewer" }) },
  "guests.read": { from: "viewer", input: ({ collection }) => ({ collection }) },
  // Anybody leaves; who takes out others is asked once it is known who is meant.
  "guests.remove": {
    from: "viewer",
    input: ({ collection, guests }) => ({ collection, person: guests.viewer.person!.id }),
  },
  "guests.set-role": {
    from: "editor",
    input: ({ collection, guests }) => ({
      ...{ collection, person: guests.contributor.person!.id, role: "editor" },
    }),
  },
  "groups.edit": { from: "editor", input: ({ group }) => ({ group, title: "Other" }) },
  "groups.erase": { from: "editor", input: ({ group }) => ({ group }) },
  "groups.look": { from: "editor", input: ({ group }) => ({ group }) },
  "groups.make": { from: "editor", input: ({ team }) => ({ team, title: "7b", names: ["Ada"] }) },
  "groups.read": { from: "editor", input: ({ team }) => ({ team }) },
  "groups.remove": { from: "editor", input: ({ group }) => ({ group }) },
  "learners.add": { from: "editor", input: ({ group }) => ({ group, names: ["Cleo"] }) },
  "learners.edit": { from: "editor", input: ({ learner }) => ({ learner, name: "Adah" }) },
  "learners.remove": { from: "editor", input: ({ learner }) => ({ learner }) },
  "learners.renew-card": { from: "editor", input: ({ learner }) => ({ learner }) },
  "handouts.collect": {
    from: "editor",
    input: ({ handout }) => ({ handout, collection: newId(), by: "item", names: true }),
  },
  "handouts.correct": { from: "editor", input: ({ handout }) => ({ handout }) },
  "handouts.edit": { from: "editor", input: ({ handout }) => ({ handout, until: "2030-01-01T12:00:00Z" }) },
  "handouts.look-into": { from: "editor", input: ({ handout, learner }) => ({ handout, learner }) },
  "handouts.looked": { from: "editor", input: ({ handout, learner }) => ({ handout, learner }) },
  "handouts.make": {
    from: "editor",
    input: ({ collection, group }) => ({ collection, group, writes: true }),
  },
  "handouts.overview": { from: "editor", input: ({ handout }) => ({ handout }) },
  "handouts.preview-correction": { from: "editor", input: ({ handout }) => ({ handout }) },
  "handouts.remove": { from: "editor", input: ({ handout }) => ({ handout }) },
  // Whoever has the card is its holder.
  "sheets.add-find": {
    from: "everybody",
    input: ({ card, handout }) => ({ card, handout, address: "https://bog.example/mine" }),
  },
  "sheets.edit-find": {
    from: "everybody",
    input: ({ card, handout, find }) => ({ card, handout, find, title: "Other" }),
  },
  "sheets.file": {
    from: "everybody",
    input: ({ card, handout, placement }) => ({ card, handout, item: placement }),
  },
  "sheets.hand-in": { from: "everybody", input: ({ card, handout }) => ({ card, handout, handedIn: true }) },
  "sheets.of-card": { from: "everybody", input: ({ card }) => ({ card }) },
  "sheets.open": { from: "everybody", input: ({ card, handout }) => ({ card, handout }) },
  "sheets.read": { from: "everybody", input: ({ card, handout }) => ({ card, handout }) },
  "sheets.write": {
    from: "everybody",
    input: ({ card, handout, placement }) => ({ card, handout, item: placement, answer: "Peat." }),
  },
  "suggestions.accept": {
    from: "editor",
    input: ({ collection, suggestion }) => ({ collection, suggestions: [suggestion] }),
  },
  "suggestions.decline": {
    from: "editor",
    input: ({ collection, suggestion }) => ({ collection, suggestions: [suggestion], word: "We have it." }),
  },
  "suggestions.file": { from: "editor", input: ({ suggestion }) => ({ suggestion }) },
  "suggestions.of-team": { from: "editor", input: ({ team }) => ({ team }) },
  "suggestions.read": { from: "editor", input: ({ collection }) => ({ collection }) },
  "suggestions.remove": {
    from: "editor",
    input: ({ collection, suggestion }) => ({ collection, suggestions: [suggestion] }),
  },
  "suggestions.renew-page": { from: "editor", input: ({ other }) => ({ collection: other }) },
  "suggestions.set-page": { from: "editor", input: ({ other }) => ({ collection: other, open: true }) },
  // Whoever has the address of the page may suggest something.
  "suggestions.mine": { from: "everybody", input: ({ page, giver }) => ({ page, giver }) },
  "suggestions.offer": {
    from: "everybody",
    input: ({ page }) => ({ page, suggestion: newId(), name: "Ada", address: "https://bog.example/ada" }),
  },
  "suggestions.page": { from: "everybody", input: ({ page }) => ({ page }) },
  "events.listen": { from: "viewer", input: ({ team }) => ({ team }) },
  "events.recent": { from: "viewer", input: ({ team }) => ({ team }) },
  "export.document": { from: "viewer", input: ({ collection }) => ({ collection, format: "pdf" }) },
  "export.collection": { from: "viewer", input: ({ collection }) => ({ collection, format: "markdown" }) },
  "export.folder": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "files.begin": { from: "contributor", input: ({ team }) => ({ team, bytes: 1 }) },
  "files.read": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "imports.add-lines": {
    from: "contributor",
    input: ({ import: intake }) => ({ import: intake, no: 0, lines: [] }),
  },
  "imports.list": { from: "contributor", input: ({ team }) => ({ team }) },
  "imports.read": { from: "contributor", input: ({ import: intake }) => ({ import: intake }) },
  "imports.rejected": { from: "contributor", input: ({ import: intake }) => ({ import: intake }) },
  "imports.set": {
    from: "contributor",
    input: ({ import: intake }) => ({ import: intake, transition: "start" }),
  },
  "imports.stage": {
    from: "contributor",
    input: ({ team }) => ({ team, import: newId(), name: "x", separator: "comma", places: [], total: 1 }),
  },
  "invitations.accept": { from: "signed in", input: () => ({ code: "x" }) },
  "invitations.make": { from: "owner", input: ({ team }) => ({ team, role: "viewer" }) },
  "invitations.read": { from: "signed in", input: () => ({ code: "x" }) },
  "invitations.send": {
    from: "owner",
    input: ({ team }) => ({ team, role: "viewer", addresses: [`x-${newId()}@bog.example`] }),
  },
  "invitations.revoke": { from: "owner", input: ({ invitation }) => ({ invitation }) },
  "jobs.dead": { from: "owner", input: ({ team }) => ({ team }) },
  "jobs.retry": { from: "owner", input: ({ job }) => ({ job }) },
  "messages.decide": { from: "contributor", input: ({ message }) => ({ message, take: true }) },
  "messages.of-resource": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "messages.make-address": { from: "contributor", input: ({ team }) => ({ team }) },
  "messages.original": { from: "viewer", input: ({ message }) => ({ message }) },
  "messages.read": { from: "contributor", input: ({ team }) => ({ team }) },
  "messages.set-sender": { from: "signed in", input: () => ({ address: "a@bog.example", allow: true }) },
  "lessons.read": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "members.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "members.remove": { from: "viewer", input: ({ team, owner }) => ({ team, person: owner.person!.id }) },
  "members.set-role": {
    from: "owner",
    input: ({ team, owner }) => ({ team, person: owner.person!.id, role: "owner" }),
  },
  "pictures.read": { from: "viewer", input: ({ picture }) => ({ hash: picture }) },
  "placements.add": { from: "contributor", input: ({ collection, resource }) => ({ collection, resource }) },
  "placements.copy-many": {
    from: "contributor",
    input: ({ collection, section, resource }) => ({
      collection,
      section,
      resources: [resource],
      ids: [newId()],
    }),
  },
  "placements.edit": { from: "editor", input: ({ placement }) => ({ placement, context: "x" }) },
  "placements.move": {
    from: "editor",
    input: ({ placement, section }) => ({ placement, section, after: null }),
  },
  "placements.move-many": {
    from: "editor",
    input: ({ other, placement }) => ({ collection: other, placements: [placement] }),
  },
  "placements.remove-many": {
    from: "editor",
    input: ({ team, placement }) => ({ team, placements: [placement] }),
  },
  "placements.remove": { from: "editor", input: ({ placement }) => ({ placement }) },
  "reader.read": { from: "reader", input: ({ collection }) => ({ collection }) },
  "references.bibliography": { from: "viewer", input: ({ collection }) => ({ collection, style: "apa" }) },
  "references.cite": {
    from: "viewer",
    input: ({ collection, placement }) => ({ collection, placements: placement }),
  },
  "export.order": { from: "viewer", input: ({ collection }) => ({ collection, format: "csv" }) },
  "export.ordered": { from: "signed in", input: () => ({ order: newId() }) },
  "export.orders": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "people.about-me": { from: "signed in", input: () => ({}) },
  "references.convert": { from: "signed in", input: () => ({ from: "endnote", text: "%0 Book\n%T Peat" }) },
  "references.add-style": { from: "editor", input: ({ team }) => ({ team, xml: "x" }) },
  "references.offer-style": {
    ...{ from: "editor", input: ({ team }) => ({ team, style: `own-${"0".repeat(40)}`, offered: true }) },
  },
  "references.styles": { from: "viewer", input: ({ team }) => ({ team }) },
  "references.look-up": { from: "signed in", input: () => ({ identifier: "x" }) },
  "resources.choose-picture": {
    from: "contributor",
    input: ({ resource }) => ({ resource, address: "https://bog.example/p.jpg" }),
  },
  "portfolios.add": { from: "editor", input: ({ collection }) => ({ collection, chosen: [newId()] }) },
  "portfolios.read": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "newsletters.ask": { from: "everybody", input: () => ({ code: "x", address: "moss@bog.example" }) },
  "newsletters.confirm": { from: "everybody", input: () => ({ token: "x" }) },
  "newsletters.drop": {
    from: "editor",
    input: ({ collection }) => ({ collection, address: "moss@bog.example" }),
  },
  "newsletters.go-on": { from: "editor", input: ({ collection }) => ({ collection, issue: newId() }) },
  "newsletters.leave": { from: "everybody", input: () => ({ token: "x" }) },
  "newsletters.on-list": { from: "everybody", input: () => ({ token: "x" }) },
  "newsletters.preview": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "newsletters.read": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "newsletters.readers": { from: "editor", input: ({ collection }) => ({ collection }) },
  "newsletters.send": { from: "editor", input: ({ collection }) => ({ collection, issue: newId() }) },
  "newsletters.try": { from: "editor", input: ({ collection }) => ({ collection }) },
  "newsletters.write": { from: "editor", input: ({ collection }) => ({ collection, subject: "x" }) },
  "people.edit": { from: "signed in", input: () => ({ name: "Other Name" }) },
  "resources.give-captions": { from: "contributor", input: ({ resource }) => ({ resource, captions: "" }) },
  "resources.give-picture": { from: "contributor", input: ({ resource }) => ({ resource, picture: "AAAA" }) },
  "resources.edit": { from: "contributor", input: ({ resource }) => ({ resource, title: "x" }) },
  "resources.fetch-again": { from: "contributor", input: ({ resource }) => ({ resource }) },
  "resources.known": { from: "viewer", input: ({ team }) => ({ team, addresses: [] }) },
  "resources.newest": { from: "viewer", input: ({ team }) => ({ team }) },
  "resources.paste-text": { from: "contributor", input: ({ resource }) => ({ resource, text: "x" }) },
  "resources.proposal": { from: "contributor", input: ({ resource }) => ({ resource }) },
  "resources.read": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "resources.remove-many": {
    from: "editor",
    input: ({ team, resource }) => ({ team, resources: [resource] }),
  },
  "resources.set-kind": {
    from: "contributor",
    input: ({ team, resource }) => ({ team, resources: [resource], kind: "sound" }),
  },
  "resources.remove": { from: "editor", input: ({ resource }) => ({ resource }) },
  "resources.take-proposal": { from: "contributor", input: ({ resource }) => ({ resource, fields: [] }) },
  "resources.links": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "resources.text": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "rules.correct": { from: "contributor", input: ({ hit, resource }) => ({ hit, resource }) },
  "rules.did": { from: "viewer", input: ({ rule }) => ({ rule }) },
  "rules.except": { from: "editor", input: ({ rule }) => ({ rule, word: "carbon", out: true }) },
  "rules.decide": { from: "contributor", input: ({ hit }) => ({ hit, take: true }) },
  "rules.preview": { from: "editor", input: ({ rule }) => ({ rule }) },
  "rules.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "rules.remove": { from: "editor", input: ({ rule }) => ({ rule }) },
  "rules.run": { from: "editor", input: ({ rule }) => ({ rule }) },
  "rules.save": {
    from: "editor",
    input: ({ team }) => ({ team, rule: newId(), name: "x", host: "bog.example", tags: ["x"], acts: false }),
  },
  "samples.make": { from: "editor", input: ({ team }) => ({ team, collection: newId() }) },
  "samples.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "samples.remove": {
    from: "editor",
    input: ({ team, collection, resource }) => ({ team, collections: [collection], resources: [resource] }),
  },
  "sections.make": { from: "editor", input: ({ collection }) => ({ collection, title: "x" }) },
  "sections.move": { from: "editor", input: ({ section }) => ({ section, after: null }) },
  "sections.remove": { from: "editor", input: ({ section }) => ({ section }) },
  "sections.edit": { from: "editor", input: ({ section }) => ({ section, title: "x" }) },
  "share.leave-out": { from: "editor", input: ({ collection }) => ({ collection, out: true }) },
  "share.look-over": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "share.out": { from: "viewer", input: ({ team }) => ({ team }) },
  "share.take-back": { from: "editor", input: ({ collection }) => ({ collection }) },
  "share.read": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "share.renew": { from: "editor", input: ({ collection }) => ({ collection }) },
  "share.set": { from: "editor", input: ({ collection }) => ({ collection, audience: "public" }) },
  "tags.add": { from: "contributor", input: ({ resource }) => ({ resource, tags: ["x"] }) },
  "tags.change": {
    from: "contributor",
    input: ({ team, resource }) => ({ team, resources: [resource], add: ["x"] }),
  },
  "tags.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "tags.remove": { from: "contributor", input: ({ resource }) => ({ resource, tag: "x" }) },
  "teams.make": { from: "signed in", input: () => ({ name: "x" }) },
  "teams.read": { from: "signed in", input: () => ({}) },
  "teams.waiting": { from: "viewer", input: ({ team }) => ({ team }) },
  "teams.set-template": { from: "owner", input: ({ team }) => ({ team, upload: null }) },
  "teams.template": { from: "viewer", input: ({ team }) => ({ team }) },
  "teams.set-style": { from: "owner", input: ({ team }) => ({ team, style: "ieee" }) },
  "teams.rename": { from: "owner", input: ({ team }) => ({ team, name: "x" }) },
  "tokens.offer": { from: "signed in", input: () => ({}) },
  "tokens.pair": { from: "everybody", input: () => ({ code: "x", name: "x" }) },
  "tokens.make": { from: "signed in", input: () => ({ name: "x" }) },
  "tokens.read": { from: "signed in", input: () => ({}) },
  "tokens.revoke": { from: "signed in", input: () => ({ token: newId() }) },
  "duplicates.keep-apart": {
    from: "contributor",
    input: ({ resource, twin }) => ({ resource, other: twin }),
  },
  "duplicates.merge": {
    from: "editor",
    input: ({ resource, twin }) => ({ resource, gone: twin }),
    beside: ({ resource, twin }) => ({ resource: twin, gone: resource }),
  },
  "duplicates.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "tray.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "comments.add": {
    from: "viewer",
    input: ({ collection, placement }) => ({ collection, placement, words: "Is this still so?" }),
  },
  "comments.edit": { from: "viewer", input: ({ comment }) => ({ comment, words: "In other words" }) },
  "comments.of-collection": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "comments.people": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "notices.leave": { from: "everybody", input: () => ({ token: "x" }) },
  "notices.look": { from: "signed in", input: () => ({}) },
  "notices.read": { from: "signed in", input: () => ({}) },
  "notices.whose": { from: "everybody", input: () => ({ token: "x" }) },
  "notices.wish": { from: "signed in", input: () => ({ answer: "never" }) },
  "notices.wishes": { from: "signed in", input: () => ({}) },
  "comments.remove": { from: "viewer", input: ({ comment }) => ({ comment }) },
  "comments.settle": { from: "viewer", input: ({ comment }) => ({ comment, settled: true }) },
  "marks.add": {
    from: "contributor",
    input: ({ resource }) => ({ resource, private: false, note: "Read this first" }),
  },
  "marks.bring-in": {
    from: "contributor",
    input: ({ team }) => ({ team, annotations: '{"@context":"http://www.w3.org/ns/anno.jsonld"}' }),
  },
  "marks.export": { from: "viewer", input: ({ collection }) => ({ collection, format: "json-ld" }) },
  "marks.of-collection": { from: "viewer", input: ({ collection }) => ({ collection }) },
  "marks.edit": { from: "contributor", input: ({ mark }) => ({ mark, note: "Other" }) },
  "marks.on-page": { from: "signed in", input: () => ({ address: "https://bog.example/x" }) },
  "marks.of-resource": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "marks.remove": { from: "contributor", input: ({ mark }) => ({ mark }) },
  "marks.restore": { from: "contributor", input: ({ mark }) => ({ mark }) },
  "marks.set-private": { from: "contributor", input: ({ mark }) => ({ mark, private: true }) },
  "meanings.read": { from: "viewer", input: ({ team }) => ({ team }) },
  "meanings.remove": { from: "editor", input: ({ team, meaning }) => ({ team, meaning }) },
  "meanings.save": { from: "editor", input: ({ team }) => ({ team, name: "claim" }) },
  "reading.comfort": {
    from: "signed in",
    input: () => ({ size: "large", width: "usual", space: "wide", face: "sans", ground: "warm" }),
  },
  "reading.place": { from: "viewer", input: ({ resource }) => ({ resource, place: 10, length: 100 }) },
  "reading.read": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "texts.compare": { from: "viewer", input: ({ resource }) => ({ resource, number: 1 }) },
  "texts.use": { from: "contributor", input: ({ resource }) => ({ resource, number: 1 }) },
  "texts.versions": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "tray.fits": { from: "viewer", input: ({ team }) => ({ team, minutes: 20 }) },
  "tray.of-resource": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "tray.put-away-old": { from: "viewer", input: ({ team }) => ({ team, days: 90 }) },
  "tray.suggest": { from: "viewer", input: ({ resource }) => ({ resource }) },
  "tray.set-many": {
    from: "viewer",
    input: ({ team, resource }) => ({ team, resources: [resource], state: "away" }),
  },
  "tray.set": { from: "viewer", input: ({ resource }) => ({ resource, state: "away" }) },
};

/** A team in which there is one of everything an action can be about. */
export async function makeFull(): Promise<Full> {
  const made = await makeWorld();
  const { invitation } = await as(made.owner, "invitations.make", { team: made.team, role: "viewer" });
  const job = newId();
  await addJobs(database(), [
    {
      id: job,
      kind: "test.none",
      team: made.team,
      payload: {},
      createdAt: new Date(),
      runAt: new Date(Date.now() + 1e9),
    },
  ]);
  const picture = "ab".repeat(32);
  await database().update(resource).set({ pictureHash: picture }).where(eq(resource.id, made.resource));
  const intake = newId();
  await as(made.owner, "imports.stage", {
    team: made.team,
    import: intake,
    name: "list",
    separator: "comma",
    places: [],
    total: 1,
  });
  const rule = newId();
  await as(made.owner, "rules.save", {
    team: made.team,
    rule,
    name: "From the bog",
    host: "bog.example",
    tags: ["bog"],
    acts: false,
  });
  const hit = newId();
  const at = new Date();
  await database()
    .insert(ruleHit)
    .values({ id: hit, rule, resource: made.resource, team: made.team, state: "suggested", createdAt: at });
  const message = newId();
  await database().insert(mailMessage).values({
    id: message,
    mailbox: newId(),
    team: made.team,
    person: made.owner.person!.id,
    identity: "m",
    sender: "Ada <ada@bog.example>",
    subject: "x",
    state: "held",
    original: picture,
    links: [],
    createdAt: at,
  });
  await as(made.owner, "tags.add", { resource: made.resource, tags: ["bog", "fen"] });
  const [tag, otherTag] = (await as(made.owner, "tags.read", { team: made.team })).tags;
  const other = await makeCollection(made, "Another collection");
  const { resource: second } = await capture(made, { collection: other.collection, section: other.section });
  const { mark } = await as(made.owner, "marks.add", {
    resource: made.resource,
    private: false,
    note: "Begin here",
  });
  const { comment } = await as(made.owner, "comments.add", {
    ...{ collection: made.collection, placement: made.placement, words: "Is this still so?" },
  });
  const { meaning } = await as(made.owner, "meanings.save", { team: made.team, name: "doubt" });
  return {
    ...made,
    invitation: invitation.id,
    job,
    picture,
    import: intake,
    rule,
    hit,
    message,
    tag: tag!.id,
    otherTag: otherTag!.id,
    other: other.collection,
    otherSection: other.section,
    twin: second.id,
    mark: mark.id,
    comment: comment.id,
    meaning: meaning.id,
    ...(await handOut(made)),
    ...(await suggest(made, other.collection)),
    guests: {
      viewer: await guestOf(made.owner, made.collection, "viewer"),
      contributor: await guestOf(made.owner, made.collection, "contributor"),
      editor: await guestOf(made.owner, made.collection, "editor"),
      elsewhere: await guestOf(made.owner, other.collection, "editor"),
    },
    guestInvitation: (
      await as(made.owner, "guests.make-link", { collection: made.collection, role: "viewer" })
    ).invitation.id,
    event: (await as(made.owner, "collections.happened", { collection: made.collection })).events[0]!.id,
    binned: await fillBin(made),
  };
}

async function makeCollection({ owner, team }: World, title: string) {
  const { collection } = await as(owner, "collections.make", { team, title });
  const { section } = await as(owner, "sections.make", { collection: collection.id, title: "A section" });
  return { collection: collection.id, section: section.id };
}

const capture = ({ owner, team }: World, where: { collection: string; section: string | null }) =>
  as(owner, "capture.address", { team, address: `https://bog.example/${newId()}`, ...where });

/** Hands the collection out to a group of one, who found something. */
async function handOut({ owner, team, collection }: World) {
  const { group } = await as(owner, "groups.make", { team, title: "7a", names: ["Ada"] });
  const [one] = (await as(owner, "groups.look", { group: group.id })).learners;
  const { handout } = await as(owner, "handouts.make", { collection, group: group.id, writes: true });
  const { card, id: learner } = one!;
  const { find } = await as(STRANGER, "sheets.add-find", {
    ...{ card, handout: handout.id, address: "https://bog.example/found" },
  });
  return { group: group.id, learner, card, handout: handout.id, find: find.id };
}

/** Opens the collection and another one for suggestions, and suggests something for the first. */
async function suggest({ owner, collection }: World, other: string) {
  const { link: page } = await as(owner, "suggestions.set-page", { collection });
  await as(owner, "suggestions.set-page", { collection: other });
  const offered = { page, suggestion: newId(), name: "Ada", address: "https://bog.example/suggested" };
  const { giver } = await as(STRANGER, "suggestions.offer", offered);
  return { page, giver, suggestion: offered.suggestion };
}

/** Puts one of each kind into the bin. */
async function fillBin(made: World): Promise<Full["binned"]> {
  const { collection } = await makeCollection(made, "One that went");
  await as(made.owner, "collections.remove", { collection });
  const here = { collection: made.collection, section: made.section };
  const { item } = await capture(made, here);
  await as(made.owner, "placements.remove", { placement: item!.id });
  const { resource } = await capture(made, here);
  await as(made.owner, "resources.remove", { resource: resource.id });
  const part = await as(made.owner, "sections.make", { collection: made.collection, title: "A part" });
  await as(made.owner, "sections.remove", { section: part.section.id });
  return { collection, section: part.section.id, placement: item!.id, resource: resource.id };
}
